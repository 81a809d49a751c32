/**
 * How long `npm start` takes until the address answers: with everything to make but the packages, and again with
 * everything there.
 */
import { ownPlace, startServed } from './served.mjs';

const place = ownPlace();

async function startAndStop(name) {
  const { seconds, stop } = await startServed(place);
  return { name, up: seconds, down: await stop() };
}

try {
  const rows = [
    await startAndStop('first: cluster, demo and build to make'),
    await startAndStop('second'),
    await startAndStop('third'),
  ];
  console.log('\nstart-up\n\n| | seconds until it answers | seconds to stop |\n| --- | ---: | ---: |');
  for (const { name, up, down } of rows) console.log(`| ${name} | ${up.toFixed(1)} | ${down.toFixed(1)} |`);
} finally {
  place.clean();
}
