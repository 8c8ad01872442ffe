import { type PlacedItem, readChoice } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf } from '../scene.ts'
import { type FedMicrophone, listFedMicrophones } from './microphone-way.ts'

/** What an input sends up the cable. */
export type Feed = '48 V' | 'plug-in power'

interface FeedSubject {
  feed: Feed
  tag: string
  name: string
  itemKey: string
  input: string
  inputKey: string
}

type FeedFinding = FeedSubject & ({ code: 'feed-missing' } | { code: 'feed-unknown' } | { code: 'feed-unrecorded' })

/** What wants 48 V, or plug-in power, has to be plugged into what sends it. */
export const microphoneFeed = defineCheck<FeedFinding>({
  shownIn: 'signals',
  find: (scene) => factOf(scene, listFedMicrophones).flatMap(checkFeed),
  codes: {
    'feed-missing': {
      say: ({ input, tag, name, feed }) =>
        plain(
          `${input} does not feed ${tag}`,
          `${name} wants ${feed} from the input, and ${input} sends none. Use an input that does, or a feed between them.`,
        ),
      deciding: ({ feed, inputKey }) => [feed, inputKey],
      ideas: ({ inputKey, itemKey }, context) => listStandInsFor([inputKey, itemKey], context),
      replaceable: ({ itemKey, inputKey }) => [itemKey, inputKey],
    },
    'feed-unrecorded': {
      say: ({ tag, name, input }) =>
        plain(
          `Cannot tell how ${tag} is fed`,
          `Most such microphones want 48 V. How ${name} is fed is not recorded, and ${input} is not known to send it. Write it down under “Specs”.`,
        ),
      deciding: ({ inputKey }) => [inputKey],
    },
    'feed-unknown': {
      say: ({ input, tag, name, feed }) =>
        plain(
          `Cannot tell whether ${input} feeds ${tag}`,
          `${name} wants ${feed}. Whether ${input} sends it is not recorded; there is a switch or a menu for it.`,
        ),
      deciding: ({ feed, inputKey }) => [feed, inputKey],
    },
  },
})

function checkFeed({ item, boosters, input }: FedMicrophone): Found<FeedFinding>[] {
  const hungry = [item, ...boosters].find((it) => findFeed(it) !== null)
  const feed = hungry && findFeed(hungry)
  if (!hungry || !feed) return listUnrecorded(item, input)
  const sends = readChoice(input, feed === '48 V' ? 'sends48' : 'sendsPlugIn')
  if (sends === 'yes') return []
  const subject = { ...ofItem(hungry), feed, itemKey: hungry.key, input: input.tag, inputKey: input.key }
  return [
    sends === 'no' ? { ...subject, code: 'feed-missing' } : { ...subject, level: 'unknown', code: 'feed-unknown' },
  ]
}

/** Such microphones mostly want 48 V: where nobody wrote down how one is fed, and its input is not known to send it, that is open. */
function listUnrecorded(item: PlacedItem, input: PlacedItem): Found<FeedFinding>[] {
  const isLikely = item.category === 'microphone' || item.category === 'shotgun'
  if (!isLikely || item.powerMode || readChoice(item, 'fedBy') !== null) return []
  if (readChoice(input, 'sends48') === 'yes') return []
  const subject = { ...ofItem(item), feed: '48 V' as const, itemKey: item.key, input: input.tag, inputKey: input.key }
  return [{ ...subject, level: 'unknown', code: 'feed-unrecorded' }]
}

function findFeed(item: PlacedItem): Feed | null {
  const fedBy = readChoice(item, 'fedBy')
  return fedBy === '48 V' || fedBy === 'plug-in power' ? fedBy : null
}
