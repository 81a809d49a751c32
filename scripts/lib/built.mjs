import fs from 'node:fs';
import { build } from 'esbuild';

/**
 * Builds the audio worklets into public/worklets: the bundler copies worklet modules unbuilt, so these
 * are made beside it and loaded by their paths.
 */
async function buildWorklets() {
  await build({
    entryPoints: { sequencer: 'src/sound/sequencer.worklet.ts', recorder: 'src/sound/recorder.worklet.ts' },
    outdir: 'public/worklets',
    bundle: true,
    format: 'esm',
    target: 'es2022',
    minify: true,
    logLevel: 'error',
  });
  // The stretcher loads its own worklet from its source, so it is not bundled either.
  fs.copyFileSync('node_modules/signalsmith-stretch/SignalsmithStretch.mjs', 'public/worklets/stretch.js');
}

/** Builds the judge, which runs in a thread beside the web server. */
export async function buildJudge(outfile = 'build/judge.mjs') {
  await build({
    entryPoints: ['src/server/judging/judge.worker.ts'],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    logLevel: 'error',
  });
}

/** What runs beside the bundler's own output. */
export const buildThreads = () => Promise.all([buildWorklets(), buildJudge()]);
