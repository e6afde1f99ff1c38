/** `npm run bench`: every measurement in one run; prints the figures and writes bench/results.json. */
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { measureCli } from './cli';
import { measureFaces, measureFinder } from './finder';
import { measureFindings } from './findings';
import { measureMany } from './many';
import { measureMemory } from './memory';
import { measureOutputs } from './outputs';
import { measureUnion } from './shapes';
import { measureSight } from './sight';
import { measureSpeed } from './speed';
import { measureWall } from './wall';

const ROUNDS = 5;
const PHOTOS = 24;
const GOALS = {
  help: 0.25,
  small: 0.6,
  cli: 0.9,
  outputs: 1.05,
  nudge: 100,
  wobrelToFloor: 1.15,
  scriptToWobrel: 3,
  memory: 1.2,
  wall: 3,
  union: 1,
  sight: 0.5,
  many: 2,
} as const;

/** With words after `npm run bench --` only the parts that they name are measured, and nothing is written. */
const only = process.argv.slice(2);
const asked = (part: string) => only.length === 0 || only.includes(part);

const number = (v: number, digits = 0) => v.toFixed(digits);
const verdict = (met: boolean) => (met ? 'goal met' : 'goal missed');

const cli = asked('cli') ? await measureCli(ROUNDS, PHOTOS) : null;
if (cli) {
  console.log(
    `Whole processes: node alone ${number(cli.node, 2)} s, wobrel --help ${number(cli.help, 2)} s (goal at most ${GOALS.help}: ${verdict(cli.help <= GOALS.help)}), one small photo ${number(cli.small, 2)} s (goal at most ${GOALS.small}: ${verdict(cli.small <= GOALS.small)})`,
  );
  console.log(
    `  ${cli.photos} photos × 3 outputs: wobrel ${number(cli.wobrel, 1)} s of CPU, hand-written script ${number(cli.script, 1)} s, ratio ${number(cli.ratio, 2)} (goal at most ${GOALS.cli}: ${verdict(cli.ratio <= GOALS.cli)})`,
  );
}
const outputs = asked('outputs') ? await measureOutputs(ROUNDS, PHOTOS) : null;
if (outputs)
  console.log(
    `Three outputs of a photo: ${number(outputs.wobrel)} ms of CPU; one decode, three resizes and three encodes ${number(outputs.floor)} ms, ratio ${number(outputs.ratio, 2)} (goal at most ${GOALS.outputs}: ${verdict(outputs.ratio <= GOALS.outputs)})`,
  );
const findings = asked('findings') ? await measureFindings(2000, 25) : null;
if (findings)
  console.log(
    `Findings of ${findings.photos} photos: all ${number(findings.all)} ms, after a nudge ${number(findings.nudge)} ms (goal at most ${GOALS.nudge}: ${verdict(findings.nudge <= GOALS.nudge)}), after one is left out ${number(findings.twins)} ms`,
  );
if (only.length > 0 && !asked('wall')) process.exit(0);
if (only.length > 0) {
  console.log(JSON.stringify(await measureWall(25), null, 2));
  process.exit(0);
}

console.log(
  `CPU time a photo of 12 megapixels to 1080 px: medians of ${ROUNDS} interleaved rounds over ${PHOTOS} photos`,
);
const speed = await measureSpeed(ROUNDS, PHOTOS);
for (const [format, s] of Object.entries(speed)) {
  console.log(
    `${format}: floor ${number(s.floor)} ms, Wobrel ${number(s.wobrel)} ms, hand-written script ${number(s.script)} ms`,
  );
  console.log(
    `  Wobrel / floor ${number(s.wobrelToFloor, 2)} (goal at most ${GOALS.wobrelToFloor}: ${verdict(s.wobrelToFloor <= GOALS.wobrelToFloor)})`,
  );
  console.log(
    `  script / Wobrel ${number(s.scriptToWobrel, 2)} (goal at least ${GOALS.scriptToWobrel}: ${verdict(s.scriptToWobrel >= GOALS.scriptToWobrel)}), script / floor ${number(s.script / s.floor, 2)}`,
  );
}

const memory = await measureMemory(50, 500);
console.log(
  `Peak memory: ${memory.fewPhotos} photos ${number(memory.fewPeak)} MB, ${memory.manyPhotos} photos ${number(memory.manyPeak)} MB`,
);
console.log(
  `  ratio ${number(memory.ratio, 2)} (goal at most ${GOALS.memory}: ${verdict(memory.ratio <= GOALS.memory)})`,
);

const wall = await measureWall(25);
console.log(
  `The wall, ${wall.cutouts} cutouts in view, from a slider's input to the last repaint: border ${number(wall.border)} ms, shape ${number(wall.shape)} ms; drawing the proxies alone ${number(wall.draw)} ms`,
);
console.log(
  `  border / drawing ${number(wall.borderRatio, 2)}, shape / drawing ${number(wall.shapeRatio, 2)} (goal at most ${GOALS.wall}: ${verdict(Math.max(wall.borderRatio, wall.shapeRatio) <= GOALS.wall)})`,
);

const { stage } = wall;
console.log(
  `The stage with ${stage.canvases} pictures, from a move of a grip to the last repaint ${number(stage.drag)} ms; drawing the proxies alone ${number(stage.draw)} ms`,
);
console.log(
  `  drag / drawing ${number(stage.ratio, 2)} (goal at most ${GOALS.wall}: ${verdict(stage.ratio <= GOALS.wall)})`,
);

const many = await measureMany(100, 2000, ROUNDS);
console.log(
  `A wall of ${many.few} photos opens in ${number(many.openFew)} ms, one of ${many.many} in ${number(many.openMany)} ms`,
);
console.log(
  `  ratio ${number(many.ratio, 2)} (goal at most ${GOALS.many}: ${verdict(many.ratio <= GOALS.many)}); a filter takes ${number(many.filter)} ms and ${number(many.filterRequests, 1)} requests`,
);
console.log(
  `  scrolling fast, some cell in view is blank in ${number(100 * many.blankFrames, 1)} % of the frames, for ${number(many.longestBlank)} ms at most`,
);

const union = measureUnion(ROUNDS);
console.log(
  `A union of ${union.parts} parts ${number(union.all)} ms; joining them one by one, ${union.pairs} joins ${number(union.joins)} ms; ${union.pairs} pairs of circles apart ${number(union.apart)} ms`,
);
console.log(
  `  all / joins ${number(union.ratio, 2)} (goal at most ${GOALS.union}: ${verdict(union.ratio <= GOALS.union)}), all / pairs apart ${number(union.apartRatio, 2)}`,
);

const sight = await measureSight(ROUNDS, PHOTOS);
console.log(
  `Decoding 12 megapixels ${number(sight.decode)} ms of CPU, finding the subject ${number(sight.subject)} ms, with faces ${number(sight.all)} ms`,
);
console.log(
  `  subject / decode ${number(sight.subjectRatio, 2)} (goal at most ${GOALS.sight}: ${verdict(sight.subjectRatio <= GOALS.sight)}), with faces ${number(sight.allRatio, 2)}`,
);

const percent = (v: number) => `${number(100 * v, 2)} %`;
const finder = await measureFinder();
for (const [set, f] of Object.entries(finder)) {
  console.log(
    `Subjects of ${f.scenes} scenes (${set}): centres off by ${percent(f.centreMedian)} of the shape at the median, ${percent(f.centre95)} at the 95th percentile, ${f.within2} within 2 %; sizes by ${percent(f.sizeMedian)} and ${percent(f.size95)}`,
  );
  console.log(`  ${f.unsure} say that they are not sure; ${f.wrongAndSure} are off by more than 3 % and don't`);
}

const faces = await measureFaces();
console.log(
  `Faces of ${faces.portraits} portraits found when turned: ${Object.entries(faces.turned)
    .map(([turn, found]) => `${turn}° ${found}`)
    .join(', ')}; seen in ${faces.seenInPots} of ${faces.pots} pots`,
);

const machine = `${cpus().length} × ${cpus()[0]!.model}, Node ${process.version}`;
writeFileSync(
  'bench/results.json',
  JSON.stringify(
    {
      measuredAt: new Date().toISOString(),
      machine,
      goals: GOALS,
      cli,
      outputs,
      findings,
      speed,
      memory,
      wall,
      many,
      union,
      sight,
      finder,
      faces,
    },
    null,
    2,
  ) + '\n',
);
