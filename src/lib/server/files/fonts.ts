/** The two typefaces as files, for PDF files made here. A build carries just these. */
import { join } from 'node:path';
import { assetFolder } from '#server/app/assets.ts';

/** By family and cut, as paths within the fonts' folder. */
export const FONT_FILES = {
	Hanken: {
		normal: 'hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf',
		bold: 'hanken-grotesk/600SemiBold/HankenGrotesk_600SemiBold.ttf',
		italics: 'hanken-grotesk/400Regular_Italic/HankenGrotesk_400Regular_Italic.ttf',
		bolditalics: 'hanken-grotesk/600SemiBold_Italic/HankenGrotesk_600SemiBold_Italic.ttf'
	},
	Newsreader: {
		normal: 'newsreader/400Regular/Newsreader_400Regular.ttf',
		bold: 'newsreader/600SemiBold/Newsreader_600SemiBold.ttf',
		italics: 'newsreader/400Regular_Italic/Newsreader_400Regular_Italic.ttf',
		bolditalics: 'newsreader/600SemiBold_Italic/Newsreader_600SemiBold_Italic.ttf'
	},
	/** The hand in which a typed signature is written. */
	Hand: { normal: 'newsreader/500Medium_Italic/Newsreader_500Medium_Italic.ttf' }
} as const;

/** The file of a font on this machine. */
export const fontPath = (file: string): string => join(assetFolder('fonts'), file);
