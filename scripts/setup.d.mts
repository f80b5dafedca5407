/** Where the browser of the tests is. */
export declare const CHROMIUM: string
