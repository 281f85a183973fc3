/** Where the application is served: one address for each worker, or the one that bin/start serves at. */
export const addresses = (process.env.MINT_ADDRESSES ?? 'http://127.0.0.1:8080').split(' ');
export const address = (): string => addresses[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? addresses[0]!;
