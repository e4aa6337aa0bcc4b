/** Lets whatever else waits for the server's one loop go first: between the pieces of long work. */
export const pause = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
