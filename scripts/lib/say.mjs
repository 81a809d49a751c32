/** What cannot be done, in one line with its remedy, is thrown as this and printed without a stack. */
class Refusal extends Error {}

/** @param {string} what @param {string} remedy */
export function refuse(what, remedy) {
  throw new Refusal(`${what} ${remedy}`);
}

/** Runs a script's body; a refusal ends it with one line and exit code 1. */
export async function main(body) {
  try {
    await body();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    console.error(`Mochila: ${error.message}`);
    process.exitCode = 1;
  }
}

export const say = (text) => console.log(text);
