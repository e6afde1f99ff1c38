/** Why nothing can be said of the photos as they are now. */
export function NotChecked({ fault }: { readonly fault: string }) {
  return (
    <p className="text-danger small-text mb-1" role="alert">
      ✕ The photos are not checked: {fault}
    </p>
  );
}
