/**
 * Starts a PostgreSQL server on loopback with its data in a folder, or finds the one that runs there;
 * it is started again should it end by itself.
 */
export function startPostgres(folder: string): Promise<{
  /** For the program: owns its database and nothing else. */
  address: string
  /** For who makes databases: tests. */
  keeperAddress: string
  stop(): Promise<void>
  kill(): void
  pid(): number
}>
