/** Terms of art with one line each, so that an explanation is always in reach. Common practice of the trade. */
export const GLOSSARY: Readonly<Record<string, string>> = {
  'A camera': 'The camera whose picture is used most; the others are cut in.',
  'B camera': 'The second angle: closer, or from the side, to cut to.',
  key: 'The main lamp on a person; everything else is set by it.',
  fill: 'Softer light from the other side that opens the shadows of the key. A white wall can do it.',
  hair: 'A lamp from behind and above that draws a bright edge, so that hair parts from the background.',
  rim: 'A lamp from behind that draws a bright edge round a person.',
  background: 'What stands behind the person, and the lamp that lights it.',
  practical: 'A lamp that is seen in the picture and really lights something.',
  modifier: 'What is put in front of a lamp to shape its light: box, umbrella, lantern.',
  grid: 'A honeycomb that keeps light from spilling to the sides.',
  spigot: 'The stud on a stand or lamp that the other slips over: 16 mm, or 28 mm for heavy ones.',
  boom: 'A long arm that holds a microphone or lamp out over the scene.',
  counterweight: 'Weight at the short end of a boom, so that the stand does not tip.',
  sandbag: 'A bag hung on a stand’s leg, so that it does not tip or wander.',
  'phantom power': '48 volts that a recorder or mixer sends up the microphone cable to feed the microphone.',
  gain: 'How much a microphone’s signal is made louder before it is recorded.',
  XLR: 'The round three-pin plug of microphones that picks up little hum over long cables.',
  TRS: 'A jack plug with three contacts: 3.5 mm on cameras, 6.3 mm on mixers.',
  lavalier: 'A small microphone worn on the chest.',
  shotgun: 'A long microphone that hears mostly what it points at.',
  sync: 'Putting picture and sound that were recorded apart exactly together.',
  clapper: 'A board or clap at the start of a take, by which picture and sound are put together.',
  'white balance': 'Telling the camera which light is white.',
  kelvin: 'How warm or cold light is: 3,200 warm as a bulb, 5,600 as daylight.',
  mired: 'A million divided by kelvin: equal steps of it look equally different.',
  stop: 'A doubling or halving of light.',
  ND: 'A grey filter that takes light away evenly, so that the aperture can stay open.',
  'crop factor': 'How much narrower a small sensor sees than a full-frame one with the same lens.',
  'angle of view': 'How wide the camera sees.',
  'depth of field': 'From how near to how far things look sharp.',
  'bit rate': 'How much data a second of recording makes; it decides how long a card lasts.',
  'speed class': 'What a card guarantees to write, in megabytes a second: V30 writes 30.',
  offload: 'Copying the cards to drives after the shoot, and checking the copies.',
  strike: 'Taking the set down and putting everything away.',
  rig: 'Putting the setup up; also what stands when it is up.',
  'call time': 'When everybody is to be there.',
  switcher: 'The desk that cuts between cameras live.',
  pack: 'A rechargeable battery that clips to a camera or lamp.',
  circuit: 'Everything behind one breaker: all sockets on it share its amperes.',
  tape: 'The coloured strip with two letters that marks a setup wherever it appears.',
  pencilled: 'Held for now; whoever confirms first has it.',
  readiness: 'Whether a setup can run at a time, and what stands in the way.',
  'talking head': 'One person speaks to the camera.',
  'top-down': 'The camera looks straight down on a table.',
  'image circle': 'The round picture that a lens throws; a sensor larger than it has dark corners.',
  'self-view': 'A screen on which whoever is filmed sees the picture.',
  booster: 'A small box on the microphone cable that makes a quiet microphone louder, fed by 48 volts.',
  'change-over': 'Taking one setup down and another one up in the same room.',
  talkback: 'The line by which the desk speaks to the crew.',
  'single point of failure': 'One thing without a spare whose loss stops the shoot.',
}

export interface Explained {
  text: string
  /** The line that explains it; null for plain text. */
  meaning: string | null
}

const byTerm = new Map(Object.entries(GLOSSARY).map(([term, meaning]) => [term.toLowerCase(), meaning]))
// Longest first, so that "phantom power" is found before "power"; whole words, a plural allowed.
const pattern = new RegExp(
  `\\b(${[...byTerm.keys()]
    .sort((a, b) => b.length - a.length)
    .map((term) => term.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('|')})(s?)\\b`,
  'gi',
)

/** Cuts a sentence where a term of art stands, each term once: the pieces put together are the sentence. */
export function explainTerms(sentence: string): Explained[] {
  const pieces: Explained[] = []
  const seen = new Set<string>()
  let from = 0
  for (const match of sentence.matchAll(pattern)) {
    const term = match[1]?.toLowerCase() ?? ''
    if (seen.has(term)) continue
    seen.add(term)
    if (match.index > from) pieces.push({ text: sentence.slice(from, match.index), meaning: null })
    pieces.push({ text: match[0], meaning: byTerm.get(term) ?? null })
    from = match.index + match[0].length
  }
  if (from < sentence.length) pieces.push({ text: sentence.slice(from), meaning: null })
  return pieces
}
