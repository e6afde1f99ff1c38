/** What happens once when the server starts: tables brought up to date, the work loop started. */
export async function register() {
  // The work stands inside the condition, so that nothing of it is built for the edge runtime.
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    try {
      const { migrateDatabase } = await import('./server/db');
      const { startRunner } = await import('./server/jobs');
      await migrateDatabase();
      const { lookAtAll, storage, sweepArrivals } = await import('./server/services');
      await sweepArrivals();
      await startRunner();
      storage.collectSoon();
      // Not waited for: pages open meanwhile.
      void lookAtAll().catch((error: unknown) => console.error('Photos could not be looked at:', error));
    } catch (error) {
      // A server whose start failed would answer every request with an error: say so and end.
      console.error('Wobrel could not start:', error);
      process.exit(1);
    }
  }
}
