/** Wobrel's own words, each in one sentence: told where the word first stands, and on the Help page. */
export const WORDS = {
  batch: 'A set of photos and the template that they all go through.',
  photo: 'One picture that you brought in. The file itself is never changed.',
  template:
    'The recipe that all photos share: frame, shape, centring, edge, colours, tints, borders, shadows, mat, captions, backdrop and outputs.',
  wall: 'All cutouts of the batch at once, drawn as they will be exported.',
  easel: 'One photo at a time, for placing and mending it by hand.',
  ground: 'What you see behind the cutouts here. It is for looking only and never exported.',
  backdrop:
    'What lies behind the cutout in the file: nothing, a colour or a gradient, and on that paints or the photo once more.',
  frame: 'The picture that comes out, shape and room around it; in px, or in mm at a resolution.',
  mat: 'Room around the frame in the picture: white, say, and deeper below for a caption.',
  caption: 'A line of letters on the picture; what stands in {…} is filled in for each photo.',
  shape: 'The closed outline that the photo is seen through.',
  cutout: 'The photo seen through the shape, with its border and shadow.',
  tint: 'A colour or gradient laid over the photo, by a blend mode.',
  feather: 'A soft edge: the photo fades out over this length.',
  border: 'A line along the shape’s edge, inside, across or outside it.',
  framing:
    'What lies round the photo whatever its shape: borders with texture and relief, their light, and shadows; kept by name.',
  slot: 'A shape of a template that takes a photo of its own; a cutout may have several.',
  spot: 'The place in the shape where the middle of each subject comes to lie.',
  subject: 'What a photo is of: a face or a thing. It is found, or you draw a box round it on the easel.',
  gap: 'A part of the shape that the photo does not reach.',
  adjustment: 'A change by hand to how one photo lies. The template’s rule stays as it is.',
  finding: 'Something about one photo or output that is beyond a limit, with a way to mend it.',
  'photo data':
    'Fields of each photo, such as a title or an article number, from a table: for names, captions and metadata.',
  output: 'One size and format of file; each photo gives one file for every output.',
  matte: 'The colour put behind the cutout in formats that can’t be transparent.',
  delivery: 'One export: all its files, and a list of them with sizes and checksums.',
} as const;

export type Word = keyof typeof WORDS;
