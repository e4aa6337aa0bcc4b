/** The part of subset-font that is used; it ships no types of its own. */
declare module 'subset-font' {
	type Axis = number | { min: number; max: number };
	export default function subsetFont(
		font: Uint8Array,
		text: string,
		options: {
			targetFormat: 'woff2';
			keepFeatures?: string[];
			noHinting?: boolean;
			variationAxes?: Record<string, Axis>;
		}
	): Promise<Uint8Array>;
}
