// @vitest-environment jsdom
import { expect, it, test } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { DecidePage } from './decide-page.tsx'

const KEPT = {
  id: 'd-1',
  version: 1,
  calculator: 'pay-back',
  about: 'The dome',
  figures: { cost: 40_000, earning: 4_000, spending: 0, sessions: 2 },
  way: 'Buy it',
  reason: 'Back within the year.',
  on: '2026-11-20',
}

/** Types figures by their labels, and gives back what is said of them. */
async function ask(question: string, figures: Record<string, string>) {
  const shown = show(<DecidePage />, { 'GET /decisions': [] })
  const { hands, page } = shown
  await hands.selectOptions(await page.findByLabelText('Question'), question)
  for (const [label, text] of Object.entries(figures)) {
    const field = page.getByLabelText(label)
    await hands.clear(field)
    await hands.type(field, text)
  }
  return shown
}

test.each([
  [
    '[O16.1] a rival: the difference in money, per cent and stops',
    'Against a rival’s price',
    {
      'Price of this one': '200',
      'Price of the rival': '250',
      'What this one gives': '5000',
      'What the rival gives': '10000',
    },
    'The rival costs £50.00 more, 25 % and gives 1 stop more. For the money the rival gives more.',
  ],
  [
    '[O17.1] [O17.2] cheap and soon dead against dear and lasting: cost a month of service, and the life at which they are even',
    'Cheap again, or good once?',
    { 'Price of the cheap one': '30', 'Price of the good one': '90' },
    null,
  ],
  [
    '[S27.1] new with cover or used: the true price of each with its risk, a month',
    'New or used?',
    // 480 over 48 months; 240 and a fifth of 480 over 36.
    {
      'Price of the new one': '480',
      'The new one serves, months': '48',
      'Price of the used one': '240',
      'The used one serves, months': '36',
      'The used one fails in that time, %': '20',
    },
    'Used costs less: £9.33 a month against £10.00.',
  ],
  [
    '[O18.1] cover: the premium against the value times the risk',
    'Cover, or bear the risk?',
    {
      'What another costs today': '1000',
      'Paid by you each time': '100',
      'Premium a year': '60',
      'Lost or broken in a year, %': '5',
    },
    'Cover costs more than it pays on average: £60.00 a year against £45.00. Even at 6.7 % a year. Worth it where £900 at once could not be borne.',
  ],
  [
    '[O25.1] subscription or licence: months to break even',
    'Subscription, or a licence for good?',
    { Licence: '300', 'Subscription a month': '20', 'Wanted for, months': '36' },
    'The licence costs less: £300 over 36 months against £720. From 15 months on the licence costs no more.',
  ],
  [
    '[O33.1] what goes on a lamp, as a share of all of it',
    'What its accessories add',
    { 'Price of the thing': '240', 'Everything that goes on it': '60' },
    '£300 in all: for every 100 of the thing another 25 for what goes on it, 20 % of the whole.',
  ],
  [
    '[O35.1] pay-back: sessions until it is earned',
    'When has it paid for itself?',
    {
      'What it costs': '400',
      'Earned or saved each session': '50',
      'Spent on it each session': '10',
      'Sessions a month': '3',
    },
    'After 10 sessions, in about 4 months.',
  ],
  [
    '[P10.1] a gift: what it is worth to whom would have bought it or not, less tax and hours',
    'Accept the gift?',
    {
      'What it is worth on paper': '500',
      'What you would have paid for it': '0',
      'Tax on its value, %': '20',
      'Hours of work promised for it': '5',
      'What an hour of yours costs': '50',
    },
    'It costs £350. You would not have bought it.',
  ],
] as const)('%s', async (_, question, figures, says) => {
  const { page, hands } = await ask(question, figures)
  if (says !== null) {
    expect(page.getByText(says)).toBeTruthy()
    return
  }
  // A figure that nobody said is asked for, and no zero.
  expect(page.getByText(/^Nothing can be told without: it lasts, months and it lasts, months\.$/)).toBeTruthy()
  const [cheap, good] = page.getAllByLabelText('It lasts, months')
  await hands.type(cheap as HTMLElement, '10')
  await hands.type(good as HTMLElement, '45')
  expect(
    page.getByText('Good once costs less: £2.00 a month against £3.00. The good one is even once it lasts 30 months.'),
  ).toBeTruthy()
})

it('what is decided is kept with its figures and its reason, and told anew from them', async () => {
  const shown = show(<DecidePage />, {
    'GET /access/me': { role: 'manager' },
    'GET /decisions': [KEPT],
    'POST /decisions': { ...KEPT, id: 'd-2' },
  })
  const { page, hands, asked } = shown
  await hands.selectOptions(await page.findByLabelText('Question'), 'When has it paid for itself?')
  expect(page.getByText('The dome: Buy it')).toBeTruthy()
  expect(
    page.getByText(/20 Nov 2026 · When has it paid for itself\? After 10 sessions, in about 5 months\.$/),
  ).toBeTruthy()
  await hands.type(page.getByLabelText('What it costs'), '90')
  await hands.type(page.getByLabelText('What it is about'), 'A grid')
  await hands.selectOptions(page.getByLabelText('Decided'), 'Leave it')
  await hands.type(page.getByLabelText('Why'), 'Tape does.')
  await hands.click(page.getByRole('button', { name: 'Keep the decision' }))
  expect(asked.find((it) => it.method === 'POST')?.body).toMatchObject({
    calculator: 'pay-back',
    about: 'A grid',
    figures: { cost: 9_000, earning: null, spending: 0, sessions: null },
    way: 'Leave it',
    reason: 'Tape does.',
  })
})

it('what cannot be read is said at its field, and nothing is told until it is mended', async () => {
  const { page, hands } = await ask('When has it paid for itself?', { 'What it costs': '400' })
  await hands.type(page.getByLabelText('Sessions a month'), 'often')
  expect(page.getByText('A whole number from 0 to 100.')).toBeTruthy()
  expect(page.getByText('One of the figures cannot be read.')).toBeTruthy()
  await hands.clear(page.getByLabelText('What it costs'))
  await hands.type(page.getByLabelText('What it costs'), 'four')
  expect(page.getByText(/^Write an amount/)).toBeTruthy()
  await hands.type(page.getByLabelText('Earned or saved each session'), '50')
  await hands.clear(page.getByLabelText('Sessions a month'))
  await hands.type(page.getByLabelText('Sessions a month'), '2')
  // The 400 of before stand no more, and no sentence is made of them.
  expect(page.queryByText(/^After/)).toBeNull()
  await hands.clear(page.getByLabelText('What it costs'))
  await hands.type(page.getByLabelText('What it costs'), '100')
  expect(page.getByText('After 2 sessions, in about 1 month.')).toBeTruthy()
})
