/** A file's name in a narrow place: what does not fit is left out in its middle, as its end tells files apart. */
const END = 12;

export function MiddleName({ name }: { readonly name: string }) {
  const cut = Math.max(0, name.length - END);
  return (
    <span className="middle-name" title={name}>
      <span>{name.slice(0, cut)}</span>
      <span>{name.slice(cut)}</span>
    </span>
  );
}
