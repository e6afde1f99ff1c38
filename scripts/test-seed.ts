/** Property tests draw the same cases on every run, so that a run says something about the change and not about luck. FC_SEED tries others. */
import fc from 'fast-check';

fc.configureGlobal({ seed: Number(process.env['FC_SEED'] ?? 20_261) });
