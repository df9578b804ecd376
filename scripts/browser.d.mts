export declare const CHROMIUM_FLAGS: string[];
export declare function findChromium(): string | undefined;
