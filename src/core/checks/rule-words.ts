/** What a centring rule looks for, in words. */

export const looks = (rule: string) => rule === 'subject' || rule === 'face';
export const thing = (rule: string) => (rule === 'face' ? 'face' : 'subject');
