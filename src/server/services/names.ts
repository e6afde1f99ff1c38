/** Names of files that people sent. */

/** A file name as people see it: no folders, no control characters, nothing that turns the direction of writing, not endless. */
export function cleanName(name: string): string {
  const last = name.split(/[/\\]/).pop()!;
  return (
    last
      .normalize('NFC')
      .replace(/[\u0000-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069]/g, '')
      .slice(0, 255) || 'unnamed'
  );
}
