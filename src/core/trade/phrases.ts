import type { TradeGroup } from './trade'

/**
 * What a business of a family of trades says to its customers. `{name}`, `{does}`, `{town}`, `{special}`, `{trade}`,
 * `{first}` and `{second}` (services) are filled in; a sentence that asks for something unknown is left out.
 */
export type PhraseBank = {
  readonly hero: readonly string[]
  readonly lead: readonly string[]
  readonly services: string
  readonly service: readonly string[]
  readonly story: { readonly heading: string; readonly body: readonly string[] }
  readonly steps: { readonly heading: string; readonly items: readonly (readonly [string, string])[] }
  readonly questions: readonly (readonly [string, string])[]
  readonly action: readonly [string, string]
  readonly visit: string
  readonly contact: string
  readonly closing: string
}

/** What any business can say truly, where the bank has no words for its trade. */
export const NEUTRAL: PhraseBank = {
  hero: ['{name}, {town}', '{name}'],
  lead: ['{special}', 'Tell us what you have in mind, and we will say what we can do and when.'],
  services: 'What we do',
  service: [],
  story: { heading: 'Who we are', body: ['{special}', 'You speak to the people who do the work.'] },
  steps: {
    heading: 'How it goes',
    items: [
      ['Ask', 'A line or two is enough to begin with.'],
      ['An answer', 'We say what is possible, and what it would take.'],
      ['A day', 'You choose one that suits you.'],
    ],
  },
  questions: [['How do I begin?', 'Ring or write, whichever suits you.']],
  action: ['Ask us', 'An answer costs nothing.'],
  visit: 'Where to find us',
  contact: 'Get in touch',
  closing: '{name}',
}

const WORKSHOP: PhraseBank = {
  hero: ['We {does} in {town}', 'We {does}, and do it once'],
  lead: ['{special}', 'Bring it in or send a photograph, and we will say what it needs, what it costs and when it can be ready.'],
  services: 'What we take on',
  service: [
    'Looked at first, priced in writing, done by hand.',
    'Ask for a price; a photograph is usually enough to begin with.',
    'Ready when we say it will be ready.',
    'If it is not worth doing, we say so.',
  ],
  story: {
    heading: 'Who does the work',
    body: [
      '{name} is a small workshop, and you speak to the person who will do the job.',
      '{special}',
      'We take in what we can finish, and tell you a date we can keep.',
    ],
  },
  steps: {
    heading: 'How it goes',
    items: [
      ['Show us', 'Bring it in, or send two photographs and its size.'],
      ['A price', 'You have it in writing before we begin.'],
      ['The work', 'Done here, by us, and shown to you if anything unexpected turns up.'],
      ['Home again', 'You collect it, or we bring it round.'],
    ],
  },
  questions: [
    ['How long does it take?', 'We say when we see it, and keep to what we said.'],
    ['What does it cost to ask?', 'Nothing. A first look and a rough figure are free.'],
    ['Is it worth it?', 'If it is not, we will tell you.'],
  ],
  action: ['Ask what yours would cost', 'A photograph and a line or two are enough.'],
  visit: 'Come by',
  contact: 'Ring, write or call in',
  closing: 'We {does} in {town}.',
}
const HOME: PhraseBank = {
  hero: ['We {does} in {town}', 'We {does}. Ring and we come.'],
  lead: ['{special}', 'Tell us what is wrong and where you are; we give you a day and a price before anyone sets out.'],
  services: 'Jobs we do most weeks',
  service: ['Priced before we start.', 'Small jobs are welcome.', 'We clear up behind us.', 'Ask for a fixed price.'],
  story: {
    heading: 'Who comes to the door',
    body: [
      'The person you speak to at {name} is the person who comes, or works beside him.',
      '{special}',
      'We arrive when we said, cover the floor, and leave the place as we found it.',
    ],
  },
  steps: {
    heading: 'From call to done',
    items: [
      ['Ring or write', 'Say what is wrong, and send a photograph if you can.'],
      ['A day and a price', 'You know both before we come.'],
      ['The job', 'Tidy, explained, and tested before we go.'],
      ['One bill', 'The figure we named, and nothing after it.'],
    ],
  },
  questions: [
    ['Do you charge to come and look?', 'Ask when you ring; for most jobs we can price from a photograph.'],
    ['How soon can you come?', 'Urgent things first. We give you an honest day.'],
    ['Which area do you cover?', 'In and around {town}. Ask if you are further out.'],
  ],
  action: ['Tell us what is wrong', 'We answer the same day.'],
  visit: 'Where we are',
  contact: 'Ring first, or write',
  closing: 'We {does} in and around {town}.',
}
const CARE: PhraseBank = {
  hero: ['We {does}, with time to listen', '{trade} in {town}'],
  lead: ['{special}', 'At the first visit we ask, look and explain. You leave knowing what we think and what comes next.'],
  services: 'What we can help with',
  service: ['Begins with a talk.', 'As often as you need, and no more.', 'Ask us whether it is right for you.', 'New people are welcome.'],
  story: {
    heading: 'Who will see you',
    body: [
      'At {name} you see the same person each time.',
      '{special}',
      'We explain what we do while we do it, and you may stop us to ask.',
    ],
  },
  steps: {
    heading: 'Your first visit',
    items: [
      ['You arrive', 'Come five minutes early. There is a chair, and somebody to say hello.'],
      ['We talk', 'What is troubling you, since when, and what you would like to be able to do.'],
      ['We look', 'Gently, and only what we need to see.'],
      ['A plan', 'In plain words, with what it costs, to take home.'],
    ],
  },
  questions: [
    ['Do I need a referral?', 'No. You can ring and come.'],
    ['What should I bring?', 'Any letters or a list of medicines, if you have them.'],
    ['What if I have to cancel?', 'Ring us as soon as you know, so that someone else can come.'],
  ],
  action: ['Book a first visit', 'Ring us, or write and say when suits you.'],
  visit: 'Finding us',
  contact: 'Book, ask or change a time',
  closing: '{trade} in {town}.',
}
const OUTDOORS: PhraseBank = {
  hero: ['We {does} in {town}', 'We {does}, all year round'],
  lead: ['{special}', 'Come and see what is in season, or tell us what your ground is like and we will tell you what will do well.'],
  services: 'Through the year',
  service: ['Best asked for early.', 'In season, and not before.', 'Come and see for yourself.', 'Ask what suits your soil.'],
  story: {
    heading: 'The people behind it',
    body: [
      '{name} is run by people who are outside in most weathers.',
      '{special}',
      'Ask us anything; we would rather talk about the ground than about ourselves.',
    ],
  },
  steps: {
    heading: 'How to begin',
    items: [
      ['Tell us about the place', 'Which way it faces, wet or dry, and what is there now.'],
      ['We come or you come', 'Either way we look before we advise.'],
      ['A plan with a price', 'What to do now and what can wait.'],
      ['The work', 'At the right time of year for it.'],
    ],
  },
  questions: [
    ['When are you open?', 'Our hours are on this page; in hard weather ring first.'],
    ['Can I bring the dog?', 'Ask at the gate.'],
    ['Do you deliver?', 'Within a reasonable drive of {town}. Ask for a price.'],
  ],
  action: ['Ask before you dig', 'Ten minutes of talk can save a year.'],
  visit: 'Come and walk round',
  contact: 'Ring, write or turn up',
  closing: 'We {does} in {town}.',
}
const TABLE: PhraseBank = {
  hero: ['We {does} in {town}', 'We {does}. Come hungry.'],
  lead: ['{special}', 'Come in when we are open, or ring to keep a place or place an order.'],
  services: 'What there is',
  service: ['Changes with the season.', 'Order a day ahead for larger numbers.', 'Ask what is good today.', 'Tell us about allergies.'],
  story: {
    heading: 'Who is behind the counter',
    body: [
      '{name} is run by the people you will meet there.',
      '{special}',
      'We make what we would want to be given, and stop when it is gone.',
    ],
  },
  steps: {
    heading: 'How to order',
    items: [
      ['Look', 'See what there is and what it costs.'],
      ['Ring or write', 'Say how many, and when.'],
      ['We confirm', 'With a price and a time.'],
      ['Collect or sit down', 'It will be ready.'],
    ],
  },
  questions: [
    ['Do I need to book?', 'On busy days it helps. Ring and ask.'],
    ['Do you cater for allergies?', 'Tell us before you order and we will say honestly what we can do.'],
    ['Can you do larger orders?', 'Yes, with some notice.'],
  ],
  action: ['Keep a place or place an order', 'Ring us; somebody answers when we are open.'],
  visit: 'When and where',
  contact: 'Ring, write or come in',
  closing: 'We {does} in {town}.',
}
const SHOP: PhraseBank = {
  hero: ['We {does} in {town}', 'A shop where you may ask'],
  lead: ['{special}', 'Come in and look, or ring and ask whether we have it. If we do not, we usually know how to get it.'],
  services: 'What you will find',
  service: ['Ask to see more.', 'We can order what is not here.', 'Honest advice, whatever you spend.', 'Changes from week to week.'],
  story: {
    heading: 'Who you will meet',
    body: ['{name} is kept by people who know what they sell.', '{special}', 'We would rather sell you the right thing than the dear one.'],
  },
  steps: {
    heading: 'If you cannot find it',
    items: [
      ['Ask', 'In the shop, by telephone or by mail.'],
      ['We look', 'On the shelf, in the back, and with the people who make it.'],
      ['We tell you', 'What it costs and when it comes.'],
    ],
  },
  questions: [
    ['Do you have it in stock?', 'Ring and we will go and look.'],
    ['Can I bring it back?', 'Unused and with the receipt, yes.'],
    ['Do you deliver?', 'Ask; in {town} we often can.'],
  ],
  action: ['Ask whether we have it', 'Ring, and we will look on the shelf.'],
  visit: 'Where the shop is',
  contact: 'Ring, write or come in',
  closing: 'We {does} in {town}.',
}
const ADVICE: PhraseBank = {
  hero: ['We {does}, in plain words', '{trade} in {town}'],
  lead: ['{special}', 'A first talk tells both of us whether we can help, what it would cost and how long it would take.'],
  services: 'What people come to us for',
  service: ['Begins with a talk.', 'For a fixed fee where we can.', 'Explained before you sign.', 'Ask whether you need it at all.'],
  story: {
    heading: 'Whom you will deal with',
    body: [
      'At {name} one person knows your case and answers your letters.',
      '{special}',
      'We say what we think, what it costs and what we would do in your place.',
    ],
  },
  steps: {
    heading: 'How we begin',
    items: [
      ['A first talk', 'Half an hour, by telephone or across a table.'],
      ['A proposal', 'What we would do, by when, for how much.'],
      ['The work', 'With a word from us at every stage.'],
      ['The end', 'You have everything in writing.'],
    ],
  },
  questions: [
    ['What does a first talk cost?', 'Ask when you ring; often nothing.'],
    ['What should I send you?', 'Whatever you have. We sort it out.'],
    ['How soon can you begin?', 'We tell you at the first talk.'],
  ],
  action: ['Arrange a first talk', 'Say when suits you, and how to reach you.'],
  visit: 'Where to find us',
  contact: 'Ring or write',
  closing: '{trade} in {town}.',
}
const LESSONS: PhraseBank = {
  hero: ['We {does} in {town}', 'We {does}, at your own pace'],
  lead: ['{special}', 'Tell us what you would like to be able to do, and come once to see whether it suits you.'],
  services: 'What you can join',
  service: ['Beginners are welcome.', 'In small groups.', 'Come once and see.', 'Ask which suits you.'],
  story: {
    heading: 'Who will be with you',
    body: ['At {name} you know who will be there.', '{special}', 'We go as fast as you like, and no faster.'],
  },
  steps: {
    heading: 'How to start',
    items: [
      ['Ask', 'Ring or write and say what you have in mind.'],
      ['Come once', 'To see whether it suits you.'],
      ['Keep a place', 'Weekly, or for a course.'],
    ],
  },
  questions: [
    ['Do I need to know anything already?', 'No. Most people begin from the beginning.'],
    ['What should I bring?', 'We tell you before the first time.'],
    ['What if I miss one?', 'Tell us, and we find another time if we can.'],
  ],
  action: ['Come once and see', 'Ring or write to say which day.'],
  visit: 'Where it happens',
  contact: 'Ask, book or change a day',
  closing: 'We {does} in {town}.',
}

export const PHRASES: Readonly<Record<TradeGroup, PhraseBank>> = {
  makers: WORKSHOP,
  motor: WORKSHOP,
  home: HOME,
  care: CARE,
  beauty: CARE,
  pets: CARE,
  growers: OUTDOORS,
  food: TABLE,
  lodging: TABLE,
  shops: SHOP,
  advice: ADVICE,
  events: ADVICE,
  learning: LESSONS,
  leisure: LESSONS,
}
