/** Arrows point one way: app → features → ui, sound, server → core; the core points at nothing of ours. */
const only = (name, from, allowed, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: `^src/${from}/` },
  to: { path: '^src/', pathNot: [`^src/${from}/`, ...allowed.map((one) => `^src/${one}/`)] },
});

/** The floors of the core: each may ask those before it, never those after, not even for a type. */
const FLOORS = [
  'time',
  'stats',
  'grid',
  'groove',
  'counting',
  'phrase',
  'form',
  'documents',
  'schedule',
  'chart',
  'judging',
  'transcribe',
  'hearing',
  'simulate',
  'drill',
  'plan',
  'practice',
  'wording',
];
const floor = (name, index) => ({
  name: `core-floor-${name}`,
  comment: 'What a floor above has is moved down, or asked for there.',
  severity: 'error',
  from: { path: `^src/core/${name}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/core/(${[...FLOORS.slice(index + 1), 'format'].join('|')})/` },
});

module.exports = {
  forbidden: [
    ...FLOORS.map(floor),
    {
      name: 'no-folder-circles',
      comment: 'Also by types.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/core/' },
      to: { circular: true },
    },
    only('core-stands-alone', 'core', [], 'Everything else asks the core; it asks nobody.'),
    only('sound-asks-core', 'sound', ['core'], ''),
    only('server-asks-core', 'server', ['core'], ''),
    only('ui-asks-core', 'ui', ['core'], ''),
    only('features-stay-below-app', 'features', ['core', 'sound', 'server', 'ui'], ''),
    {
      name: 'features-apart',
      severity: 'error',
      comment: 'What two features share moves down a floor.',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'core-needs-little',
      severity: 'error',
      comment:
        'Pure TypeScript: Zod for shapes, fft.js for spectra, midi-file for MIDI bytes, fast-xml-parser for MusicXML, fflate for packed scores, date-fns and rrule for days, ts-fsrs for when a review is due, nothing of React, Node or the browser. Tests may bring their tools.',
      from: { path: '^src/core/', pathNot: '(\\.test\\.ts$|/testing/)' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-peer', 'core'],
        pathNot: 'node_modules/(zod|fft\\.js|midi-file|fast-xml-parser|fflate|rrule|ts-fsrs|date-fns|@date-fns/tz)/',
      },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^src/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Tests may look anywhere.
    exclude: { path: '\\.test\\.tsx?$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
