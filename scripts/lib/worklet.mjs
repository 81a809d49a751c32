import fs from 'node:fs';
import { build } from 'esbuild';

/**
 * Builds the audio worklet into public/worklets: the bundler copies worklet modules unbuilt, so this
 * one is made beside it and loaded by its path.
 */
export async function buildWorklet() {
  await build({
    entryPoints: ['src/sound/sequencer.worklet.ts'],
    outfile: 'public/worklets/sequencer.js',
    bundle: true,
    format: 'esm',
    target: 'es2022',
    minify: true,
    logLevel: 'error',
  });
  // The stretcher loads its own worklet from its source, so it is not bundled either.
  fs.copyFileSync('node_modules/signalsmith-stretch/SignalsmithStretch.mjs', 'public/worklets/stretch.js');
}
