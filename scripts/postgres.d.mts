/** Starts a PostgreSQL server on loopback with its data in a folder, or finds the one that runs there. */
export function startPostgres(folder: string): Promise<{ address: string; stop(): Promise<void> }>
