import type { Details, Sentences } from './details'

/** Who somebody is, and what he may do. */
export const PEOPLE = {
  signedOut: {
    status: 401,
    sentence: () => 'You are not signed in any more. Sign in again in another tab; what you did stays here and is saved then.',
  },
  otherPerson: {
    status: 409,
    sentence: (d: Details<'name'>) =>
      `${d.name} is signed in in this browser now. What you did stays here; sign in as yourself again, and it is saved.`,
  },
  notAllowed: { status: 403, sentence: () => 'You may look at this and not change it. Ask whoever invited you.' },
  signInWrong: { status: 401, sentence: () => 'No account has this email and password. Look at both again.' },
  passwordWrong: { status: 422, sentence: () => 'This is not your current password. Type it again.' },
  tooManyGuesses: { status: 429, sentence: (d: Details<'wait'>) => `That was wrong several times. Wait ${d.wait}, then try again.` },
  startedAlready: { status: 409, sentence: () => 'Somebody has an account here already. Sign in, or be invited.' },
  passGone: {
    status: 410,
    sentence: () => 'This link was used, has run out or was taken back. Ask for a new one.',
  },
  emailTaken: { status: 409, sentence: (d: Details<'email'>) => `Somebody here has the address ${d.email} already.` },
  personGone: { status: 404, sentence: () => 'There is nobody here by that name any more. Load the page again.' },
  ownerLast: { status: 409, sentence: () => 'Somebody has to be the owner. Make another person one first.' },
  passkeyWrong: {
    status: 422,
    sentence: (d: Details<'why'>) => `The passkey was not taken: ${d.why}. Try again, or sign in with your password.`,
  },
  nameWrong: { status: 422, sentence: (d: Details<'fault'>) => `${d.fault}` },
} as const satisfies Sentences
