import type { Region } from './units';

/** What things of a garden are called in America; crops and sentences come so from the core. */
const AMERICAN: Readonly<Record<string, string>> = {
  barrow: 'wheelbarrow',
  fibre: 'fiber',
  mould: 'mold',
  butt: 'rain barrel',
  centimetres: 'centimeters',
  litres: 'liters',
  metre: 'meter',
  neighbours: 'neighbors',
  tap: 'spigot',
};
const FOUND = new RegExp(String.raw`\b(${Object.keys(AMERICAN).join('|')})(s?)\b`, 'gi');

/** Words of the pages as a region says them; never what the grower has typed. */
export function inRegion(text: string, region: Region): string {
  if (region !== 'en-US') return text;
  return text.replace(FOUND, (whole: string, word: string, plural: string) => {
    const other = AMERICAN[word.toLowerCase()] ?? whole;
    const large = word.startsWith(word.charAt(0).toUpperCase());
    return (large ? other.charAt(0).toUpperCase() + other.slice(1) : other) + plural;
  });
}
