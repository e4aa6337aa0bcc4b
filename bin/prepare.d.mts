/** Types of prepare.mjs, for what is written in TypeScript. */
export declare const home: string;
export declare const makeDemo: string;
export declare function packages(): void;
export declare function build(): void;
export declare function sync(): void;
export declare function testTools(): void;
