/** What files say of themselves: title, alternative text, creator, copyright. */
import { filled, type Fields } from '../fields';
import type { Output, Template } from '../template';

/** Texts of one file; those that are empty are left out. */
type Metadata = Readonly<Partial<Record<keyof Template['metadata'], string>>>;

/** The template's texts as one file has them; a field that is not known says nothing. */
export function metadataFor(texts: Template['metadata'], fields: Fields): Metadata {
  const said = Object.entries(texts).map(([key, text]) => [key, filled(text, fields, () => '').trim()] as const);
  return Object.fromEntries(said.filter(([, text]) => text !== ''));
}

/** Formats that hold them. GIF and OpenRaster have no place that programs read. */
export const holdsMetadata = ({ format }: Pick<Output, 'format'>): boolean => format !== 'gif' && format !== 'ora';

const MARKS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** A text in XML 1.0, without characters that it can't hold. */
export const inXml = (text: string): string =>
  text
    .replace(/\p{Cs}/gu, '\ufffd')
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"]/g, (mark) => MARKS[mark]!);

/** A text in one language that is not named. */
const anyLanguage = (name: string, text: string) =>
  `<${name}><rdf:Alt><rdf:li xml:lang="x-default">${inXml(text)}</rdf:li></rdf:Alt></${name}>`;

/**
 * The texts as an XMP packet (ISO 16684-1); null where there are none. Title, creator and rights are Dublin Core's;
 * the alternative text is `AltTextAccessibility` of the IPTC Photo Metadata Standard.
 */
export function xmpOf({ title, alt, creator, copyright }: Metadata): string | null {
  const parts = [
    title && anyLanguage('dc:title', title),
    creator && `<dc:creator><rdf:Seq><rdf:li>${inXml(creator)}</rdf:li></rdf:Seq></dc:creator>`,
    copyright && anyLanguage('dc:rights', copyright),
    alt && anyLanguage('Iptc4xmpCore:AltTextAccessibility', alt),
  ].filter(Boolean);
  if (parts.length === 0) return null;
  return [
    '<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>',
    '<x:xmpmeta xmlns:x="adobe:ns:meta/">',
    '<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">',
    '<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:Iptc4xmpCore="http://iptc.org/std/Iptc4xmpCore/1.0/xmlns/">',
    ...parts,
    '</rdf:Description></rdf:RDF></x:xmpmeta>',
    '<?xpacket end="r"?>',
  ].join('\n');
}
