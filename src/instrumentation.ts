import { WobrelError } from './core/errors';

/** What happens once when the server starts. */
export async function register() {
  // The work stands inside the condition, so that nothing of it is built for the edge runtime.
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    try {
      const { start } = await import('./server/services');
      await start();
    } catch (error) {
      // A server whose start failed would answer every request with an error: say so and end.
      // What whoever started it can mend is a sentence; all else is told whole.
      console.error('Wobrel could not start:', error instanceof WobrelError ? error.message : error);
      process.exit(1);
    }
  }
}
