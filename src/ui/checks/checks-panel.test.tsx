/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { watchFindings } from '@/core/checks';
import { parseTemplate } from '@/core/template';
import { ChecksPanel } from './checks-panel';
import { lockedBy, LocksContext } from '../template/locks';
import { areChecked, NO_FINDINGS, withChange } from './photo-findings';

const template = parseTemplate({
  wobrel: 1,
  name: 'T',
  outputs: [{ name: 'tile' }, { name: 'mail', format: 'jpeg', width: 300 }],
});
const photo = (id: number, width: number, height: number, hasAlpha = false) => ({
  id,
  name: `${id}.jpg`,
  sha256: '',
  unseen: false,
  width,
  height,
  hasAlpha,
  review: 'open' as const,
  sight: null,
  handSubject: null,
  adjustment: null,
});
const photos = [photo(1, 4000, 3000), photo(2, 800, 600), photo(3, 700, 700), photo(4, 3000, 3000, true)];

function foundOf(some: typeof photos) {
  const watch = watchFindings(template);
  watch.usePhotos(some, some.map(({ id }) => id)); // prettier-ignore
  return watch.changes();
}
const GIVEN = { isChecked: true, template, only: null, onOnly: () => {}, onRemake: () => {}, onMendAll: () => {} };
const found = () => withChange(NO_FINDINGS, foundOf(photos), template, photos);

test('findings about a photo are kept by photo, those about an output once', () => {
  const { byPhoto, ofOutputs } = found();
  expect([...byPhoto.keys()]).toEqual([2, 3, 4]);
  expect(byPhoto.get(2)!.map((f) => f.check)).toEqual(['enlargement', 'small']);
  expect(ofOutputs.map((f) => f.check)).toEqual(['opaque']);
});

test('every check says how many photos fail it, an example with its number, and how to mend it', () => {
  render(<ChecksPanel {...GIVEN} findings={found()} />);
  expect(screen.getByText('3 photos and 1 output to look at')).toBeTruthy();
  expect(
    screen.getByText(/Enlarged 1.60 times for output tile, the limit is 1. To mend it, use a larger photo/),
  ).toBeTruthy();
  expect(screen.getByText(/mail is a JPEG, which has no transparency/)).toBeTruthy();
});

test('a photo that fails a check for two outputs is counted once', () => {
  const tiny = withChange(NO_FINDINGS, foundOf([photo(5, 200, 200)]), template, [photo(5, 200, 200)]);
  expect(tiny.byPhoto.get(5)!.filter((f) => f.check === 'enlargement')).toHaveLength(2);
  render(<ChecksPanel {...GIVEN} findings={tiny} />);
  expect(screen.getByText('Enlarged above the limit').closest('li')!.textContent).toContain('1 photo');
});

test('the wall can be narrowed to the photos that fail one check, and widened again', () => {
  const onOnly = jest.fn();
  const { rerender } = render(<ChecksPanel {...GIVEN} findings={found()} only={null} onOnly={onOnly} />);
  fireEvent.click(screen.getAllByRole('button', { name: 'Show only these' })[1]!);
  expect(onOnly).toHaveBeenLastCalledWith('small');
  rerender(<ChecksPanel {...GIVEN} findings={found()} only="small" onOnly={onOnly} />);
  fireEvent.click(screen.getByRole('button', { name: 'Show all photos', pressed: true }));
  expect(onOnly).toHaveBeenLastCalledWith(null);
});

test('nothing is said of what has not been checked yet', () => {
  const none = { ...found(), byPhoto: new Map(), ofOutputs: [] };
  const { rerender } = render(<ChecksPanel {...GIVEN} findings={none} isChecked={false} />);
  expect(screen.getByText('Checking…')).toBeTruthy();
  expect(screen.queryByText(/nothing to look at/i)).toBeNull();
  rerender(<ChecksPanel {...GIVEN} findings={found()} isChecked={false} />);
  expect(screen.getByText('3 photos and 1 output to look at')).toBeTruthy();
  expect([areChecked(found(), 4), areChecked(found(), 5), areChecked(NO_FINDINGS, 0)]).toEqual([true, false, true]);
});

test('where checking failed nothing is counted, and it is told why', () => {
  const failed = { ...NO_FINDINGS, fault: 'that takes too long; undo the last change.' };
  render(<ChecksPanel {...GIVEN} findings={failed} isChecked={areChecked(failed, 0)} />);
  expect(screen.getByRole('alert').textContent).toMatch(/not checked.*takes too long/);
  expect(screen.queryByText(/to look at|Checking/)).toBeNull();
});

test('checks that no photo fails come last, folded away, and in the open where there is nothing else', () => {
  const { rerender } = render(<ChecksPanel {...GIVEN} findings={found()} />);
  const passed = screen.getByText(/with nothing to look at$/).closest('details')!;
  expect(passed.open).toBe(false);
  expect(passed.textContent).toContain('Blurred');
  expect(passed.textContent).not.toContain('Enlarged above the limit');
  const failed = screen.getByText('Enlarged above the limit');
  expect(failed.compareDocumentPosition(passed) & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy();
  const none = { ...found(), byPhoto: new Map(), ofOutputs: [] };
  rerender(<ChecksPanel {...GIVEN} findings={none} />);
  expect(screen.getByText('Nothing to look at')).toBeTruthy();
  expect(screen.getByText(/with nothing to look at$/).closest('details')!.open).toBe(true);
});

test('one click makes smaller files of small photos; greyed, with the reason, where the template locks its outputs', () => {
  const onRemake = jest.fn();
  const panel = (open: string[] | null) => (
    <LocksContext value={open && lockedBy('Shop', open)}>
      <ChecksPanel {...GIVEN} findings={found()} onRemake={onRemake} />
    </LocksContext>
  );
  const { rerender } = render(panel(null));
  const button = () => screen.getAllByRole<HTMLButtonElement>('button', { name: 'Smaller files instead' })[0]!;
  fireEvent.click(button());
  const [change] = onRemake.mock.calls[0] as [(t: typeof template) => typeof template];
  expect(change(template).outputs.every(({ enlarge }) => !enlarge)).toBe(true);
  rerender(panel(['outputs']));
  expect(button().disabled).toBe(false);
  rerender(panel(['captions']));
  expect(button().disabled).toBe(true);
  expect(screen.getAllByText(/^Locked by Shop/).length).toBeGreaterThan(0);
});
