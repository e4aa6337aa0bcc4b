import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	build: { chunkSizeWarningLimit: 1500 },
	ssr: {
		external: [
			'better-sqlite3',
			'@node-rs/argon2',
			'pdfjs-dist',
			'pdfmake',
			'fontkit',
			'@cantoo/pdf-lib',
			'node-forge',
			'smtp-server',
			'mailparser',
			'nodemailer',
			'docxtemplater',
			'pizzip',
			'mammoth',
			'pino'
		]
	}
});
