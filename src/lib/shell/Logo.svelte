<script lang="ts"></script>

<svg width="24" height="26" viewBox="0 0 24 26" aria-hidden="true"
	><path d="M13 1 22 10 12 23 5 9Z" fill="var(--color-saffron)" /><path
		d="M13 1 12 23"
		stroke="var(--color-band)"
		stroke-width="1.3"
	/><path d="M5 9 22 10" stroke="var(--color-band)" stroke-width="1.3" /><path
		d="M12 23c-2 2-5-1-7 1s-3 1-4 0"
		fill="none"
		stroke="var(--color-white)"
		stroke-width="1.4"
	/></svg
>
