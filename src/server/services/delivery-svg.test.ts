import sharp from 'sharp';
import { deliveries, deliverySvg } from '.';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();

async function delivered(fields: object) {
  const id = await deliveries.startDelivery(here, await batchWith(SMALL, fields));
  await run(id);
  return id;
}

test('each photo is in an SVG called as its first file, no finer than the widest output shows it', async () => {
  const id = await delivered({ outputs: [{ width: 90, file: 'n/{photo}' }, { name: 'wide', width: 200 }], metadata: { alt: 'No. {index}' } }); // prettier-ignore
  const { items } = await deliveries.manifestOf(here, id);
  const first = items.filter(({ output }) => output === 'tile');
  let i = 0;
  for await (const { name, input } of await deliverySvg.deliverySvgs(here, id)) {
    expect(name).toBe(first[i]!.file!.replace('.png', '.svg'));
    expect(input).toContain(`<desc>No. 000${++i}</desc>`);
    const [, data] = /href="data:image\/jpeg;base64,([^"]+)"/.exec(input)!;
    const { width } = await sharp(Buffer.from(data!, 'base64')).metadata();
    const photo = Number(/<image [^>]*width="(\d+)"/.exec(input)![1]);
    // The frame is 1080 units wide, the widest output 200 px.
    expect(width).toBe(Math.min(photo, Math.ceil((photo * first[i - 1]!.placement!.scale * 200) / 1080)));
  }
  expect(i).toBe(3);
});

test('cutouts of several photos, and holes, are refused', async () => {
  const circle = { kind: 'circle', box: { cx: 300, cy: 300, width: 200, height: 200 } };
  const slots = [
    { name: 'a', shape: circle },
    { name: 'b', shape: { ...circle, box: { ...circle.box, cx: 700 } } },
  ];
  for (const fields of [{ slots, fill: { by: 'order', missing: 'repeat' } }, { mode: 'window' }]) {
    const id = await delivered({ outputs: [{ width: 60 }], ...fields });
    await expect(deliverySvg.deliverySvgs(here, id)).rejects.toMatchObject({ code: 'invalid' });
    expect((await deliveries.deliveryProgress(here, id)).isOnePhoto).toBe(false);
  }
});
