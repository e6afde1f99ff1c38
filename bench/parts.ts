/** What the bench measures, part by part: how, and in which words it is told. A part loads what it needs and nothing else. */

const ROUNDS = 5;
const PHOTOS = 24;

const number = (v: number, digits = 0) => v.toFixed(digits);
const percent = (v: number) => `${number(100 * v, 2)} %`;
const verdict = (met: boolean) => (met ? 'met' : 'missed');

/** A figure against the most that it should be. */
const most = (v: number, goal: number, digits = 2) =>
  `${number(v, digits)} (goal at most ${goal}: ${verdict(v <= goal)})`;
const least = (v: number, goal: number) => `${number(v, 2)} (goal at least ${goal}: ${verdict(v >= goal)})`;

/** A measurement of the bench. */
type Part<T> = { readonly measure: () => T | Promise<T>; readonly tell: (figures: T) => readonly string[] };

const part =
  <T>(measure: Part<T>['measure'], tell: Part<T>['tell']) =>
  async () => {
    const figures = await measure();
    return { figures, lines: tell(figures) };
  };

export const PARTS = {
  cli: part(
    async () => (await import('./cli')).measureCli(ROUNDS, PHOTOS),
    (v) => [
      `Whole processes: node alone ${number(v.node, 2)} s, wobrel --help ${most(v.help, 0.25)} s, one small photo ${most(v.small, 0.6)} s`,
      `  ${v.photos} photos × 3 outputs: wobrel ${number(v.wobrel, 1)} s of CPU, hand-written script ${number(v.script, 1)} s, ratio ${most(v.ratio, 0.9)}`,
    ],
  ),
  outputs: part(
    async () => (await import('./outputs')).measureOutputs(ROUNDS, PHOTOS),
    (v) => [
      `Three outputs of a photo: ${number(v.wobrel)} ms of CPU; one decode, three resizes and three encodes ${number(v.floor)} ms, ratio ${most(v.ratio, 1.05)}`,
    ],
  ),
  table: part(
    async () => (await import('./table')).measureTable(1000, 10_000, ROUNDS),
    (v) => [
      `A table of ${v.rows} rows read and matched to as many photos: ${number(v.ms)} ms, of ${v.few} rows ${number(v.fewMs)} ms; a row takes ${most(v.ratio, 1.5)} times as long`,
    ],
  ),
  findings: part(
    async () => (await import('./findings')).measureFindings(2000, 25),
    (v) => [
      `Findings of ${v.photos} photos: all ${number(v.all)} ms, after a nudge ${most(v.nudge, 100, 0)} ms, after one is left out ${number(v.twins)} ms`,
    ],
  ),
  limits: part(
    async () => (await import('./limits')).measureLimits(),
    (v) =>
      Object.entries(v).map(
        ([name, { seconds, peak, said }]) => `${name}: ${number(seconds, 1)} s, ${number(peak)} MB: ${said}`,
      ),
  ),
  speed: part(
    async () => (await import('./speed')).measureSpeed(ROUNDS, PHOTOS),
    (v) => [
      `CPU time a photo of 12 megapixels to 1080 px: medians of ${ROUNDS} interleaved rounds over ${PHOTOS} photos`,
      ...Object.entries(v).flatMap(([format, s]) => [
        `${format}: floor ${number(s.floor)} ms, Wobrel ${number(s.wobrel)} ms, hand-written script ${number(s.script)} ms`,
        `  Wobrel / floor ${most(s.wobrelToFloor, 1.15)}, script / Wobrel ${least(s.scriptToWobrel, 3)}, script / floor ${number(s.script / s.floor, 2)}`,
      ]),
    ],
  ),
  templates: part(
    async () => (await import('./templates')).measureTemplates(15),
    (v) => [
      `One page of 20 template cards: ${number(v.few, 1)} ms of 20 templates and 5 batches, ${number(v.many, 1)} ms of 2,000 and 500, ratio ${most(v.many / v.few, 2)}`,
    ],
  ),
  slots: part(
    async () => (await import('./slots')).measureSlots(9),
    (v) => [
      `Six photos in one cutout of 1080 px: ${number(v.whole)} ms of CPU; decoding the six ${number(v.decodes)} ms, encoding one ${number(v.encodeOne)} ms, the loop ${number(v.sheetLoop)} ms beside ${number(v.plainLoop)} ms of a plain cutout, ratio ${most(v.sheetLoop / v.plainLoop, 1.25)}`,
      `All of it over six decodes, one encode and 1.25 plain loops: ${most(v.whole / (v.decodes + v.encodeOne + 1.25 * v.plainLoop), 1)}`,
      `Compiling such a sheet with eight layers ${number(v.layered)} ms, decoding 12 megapixels ${number(v.decode)} ms, ratio ${number(v.layered / v.decode, 1)}`,
    ],
  ),
  finish: part(
    async () => (await import('./finish')).measureFinish(ROUNDS, 8),
    (v) => [
      `A rich finish: ${number(v.rich)} ms of CPU a photo, a plain circle ${number(v.plain)} ms, ratio ${most(v.rich / v.plain, 1.25)}`,
      `  compiling it for 1080 px ${number(v.compileRich)} ms (plain ${number(v.compilePlain)} ms), decoding 12 megapixels ${number(v.decode)} ms, ratio ${most(v.compileRich / v.decode, 5)}`,
      `  with pictures behind and on top ${number(v.pictured)} ms a photo, on a white ground ${number(v.painted)} ms, ratio ${number(v.pictured / v.painted, 2)}; with itself behind ${number(v.photoBehind)} ms, ${number((v.photoBehind - v.painted) / v.decode, 2)} decodes more`,
    ],
  ),
  framings: part(
    async () => (await import('./framings')).measureFramings(ROUNDS, 4),
    (v) => [
      `Framings at 1080 px: decoding 12 megapixels ${number(v.decode)} ms, a photo in a plain circle ${number(v.plain)} ms of CPU`,
      ...v.framings.map(
        (f) =>
          `  ${f.name}: compiled in ${number(f.compile)} ms, / decoding ${most(f.compile / v.decode, 10)}; a photo ${number(f.photo)} ms, / plain ${most(f.photo / v.plain, 1.25)}`,
      ),
    ],
  ),
  sliders: part(
    async () => (await import('./sliders')).measureSliders(7),
    (v) => [
      `Every slider on a wall of ${v.cutouts}, from its input to the last repaint; drawing the proxies alone ${number(v.draw)} ms`,
      ...v.sliders.map((s) => `  ${s.section}, ${s.slider}: ${number(s.ms)} ms, / drawing ${most(s.ratio, 3)}`),
    ],
  ),
  memory: part(
    async () => (await import('./memory')).measureMemory(100, 1000),
    (v) => [
      `Peak memory, three outputs: ${v.fewPhotos} photos ${number(v.fewPeak)} MB, ${v.manyPhotos} photos ${number(v.manyPeak)} MB, ratio ${most(v.ratio, 1.2)}`,
    ],
  ),
  wall: part(
    async () => (await import('./wall')).measureWall(25),
    (v) => [
      `The wall, ${v.cutouts} cutouts in view, from a slider's input to the last repaint: border ${number(v.border)} ms, shape ${number(v.shape)} ms; drawing the proxies alone ${number(v.draw)} ms`,
      `  border / drawing ${most(v.borderRatio, 3)}, shape / drawing ${most(v.shapeRatio, 3)}`,
      `The stage with ${v.stage.canvases} pictures, from a move of a grip to the last repaint ${number(v.stage.drag)} ms; drawing the proxies alone ${number(v.stage.draw)} ms`,
      `  drag / drawing ${most(v.stage.ratio, 3)}`,
    ],
  ),
  many: part(
    async () => (await import('./many')).measureMany(100, 2000, ROUNDS),
    (v) => [
      `A wall of ${v.few} photos opens in ${number(v.openFew)} ms, one of ${v.many} in ${number(v.openMany)} ms, ratio ${most(v.ratio, 2)}`,
      `  a filter takes ${number(v.filter)} ms and ${number(v.filterRequests, 1)} requests`,
      `  scrolling fast, some cell in view is blank in ${percent(v.blankFrames)} of the frames, for ${number(v.longestBlank)} ms at most`,
      `  the average of the ${v.many} takes ${most(v.average / 1000, 10, 1)} s`,
    ],
  ),
  union: part(
    async () => (await import('./shapes')).measureUnion(ROUNDS),
    (v) => [
      `A union of ${v.parts} parts ${number(v.all)} ms; joining them one by one, ${v.pairs} joins ${number(v.joins)} ms; ${v.pairs} pairs of circles apart ${number(v.apart)} ms`,
      `  all / joins ${most(v.ratio, 1)}, all / pairs apart ${number(v.apartRatio, 2)}`,
    ],
  ),
  sight: part(
    async () => (await import('./sight')).measureSight(ROUNDS, PHOTOS),
    (v) => [
      `Decoding 12 megapixels ${number(v.decode)} ms of CPU; on plain grounds the subject ${number(v.subject)} ms, with faces ${number(v.plain)} ms; on busy ones all ${number(v.busy)} ms`,
      `  subject / decode ${most(v.subject / v.decode, 0.5)}, plain / decode ${most(v.plain / v.decode, 1)}, busy / decode ${most(v.busy / v.decode, 1)}; ${v.doubtful} of ${v.photos} need the costly look, all of them together / decode ${most(v.all / v.decode, 1)}`,
    ],
  ),
  finder: part(
    async () => (await import('./finder')).measureFinder(),
    (v) =>
      Object.entries(v).flatMap(([set, f]) => [
        `Subjects of ${f.photos} photos (${set}): centres off by ${percent(f.centreMedian)} of the shape at the median, ${percent(f.centre95)} at the 95th percentile; sizes by ${percent(f.sizeMedian)} and ${percent(f.size95)}`,
        `  ${f.right} within 2 % of the spot and 6 % of the size; ${f.sure} are sure, ${f.wrongAndSure} of these off by more than 3 %`,
        `  a second look is beyond 2 % or 6 % from the first on ${f.seenThrough.caught} of ${f.seenThrough.wrong} wrong ones and ${f.seenThrough.doubted} of ${f.seenThrough.right} right ones; unsure or apart beyond the limit are ${f.found.caught} and ${f.found.doubted}`,
      ]),
  ),
  bodies: part(
    async () => (await import('./finder')).measureBodies(),
    (v) => [
      `Bodies of ${v.pots} pots with handles on busy grounds (unseen): off across by ${percent(v.byBody)} of the shape at the median, ${percent(v.byBody95)} at the 95th percentile, ${v.right} within 2 %; by ${percent(v.byBox)} where their boxes are centred`,
    ],
  ),
  pointing: part(
    async () => (await import('./pointing')).measurePointing(),
    (v) =>
      Object.entries(v).map(
        ([how, p]) =>
          `Pointing, ${how} (unseen): ${percent(p.within3)} of ${p.times} within 3 % of the box, ${percent(p.within10)} within 10 %; ready ${number(p.ready)} ms of CPU, click ${most(p.click, 100, 0)} ms, ${percent(p.slow)} of clicks over 100; ${percent(p.larger)} of the photos in the larger picture, too`,
      ),
  ),
  alike: part(
    async () => (await import('./alike')).measureAlike(),
    (v) =>
      Object.entries(v).map(
        ([how, h]) =>
          `Series, ${how}: of ${h.doubted} others in doubt ${h.wrongBefore} were wrong, ${h.wrong} are (${h.spoilt} were right before); ${h.sure} are sure, ${h.wrongAndSure} of these off by more than 3 %`,
      ),
  ),
  faces: part(
    async () => (await import('./faces')).measureFaces(),
    (v) => [
      `Faces of ${v.portraits} portraits found when turned: ${Object.entries(v.turned)
        .map(([turn, found]) => `${turn}° ${found}`)
        .join(', ')}; seen in ${v.seenInPots} of ${v.pots} pots`,
      `Faces in photographs of several people: ${v.inGroups.found} of ${v.inGroups.faces} found, and ${v.inGroups.others} that are none`,
      ...Object.entries(v.ofPeople).map(
        ([set, { all, fromTheSide, withGlasses }]) =>
          `Photographs of one person (${set}) in which one face is found: ${all.found} of ${all.photos}; from the side ${fromTheSide.found} of ${fromTheSide.photos}, with glasses ${withGlasses.found} of ${withGlasses.photos}`,
      ),
    ],
  ),
};
