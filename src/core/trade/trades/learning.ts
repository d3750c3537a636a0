import { tradesOf } from '../trade'

/** Those who teach. */
export const learning = tradesOf('learning', (trade) => [
  trade(
    'Driving lessons',
    'LocalBusiness',
    'driving instructor; driving school',
    'teach people to drive',
    'First lessons; Refresher lessons; Test days; Motorways',
  ),
  trade(
    'Music lessons',
    'LocalBusiness',
    'music teacher; piano lessons; guitar lessons; singing teacher',
    'teach music',
    'First lessons; Children; Adults; Exams',
  ),
  trade(
    'Tutoring',
    'LocalBusiness',
    'tutor; maths tutor; private lessons; exam preparation',
    'teach one to one',
    'Primary; Exam years; Languages; Online',
  ),
  trade(
    'Language school',
    'LocalBusiness',
    'english lessons; language teacher; language courses',
    'teach languages',
    'Beginners; Conversation; Exams; Companies',
  ),
  trade(
    'Dance school',
    'SportsActivityLocation',
    'dance classes; ballet; dance studio',
    'teach dancing',
    'Children; Adults; Ballet; Performances',
  ),
  trade(
    'Martial arts',
    'SportsClub',
    'karate; judo; boxing; self-defence',
    'teach martial arts',
    'Beginners; Children; Gradings; Self-defence',
  ),
  trade(
    'Swimming lessons',
    'PublicSwimmingPool',
    'swim school; swimming teacher',
    'teach swimming',
    'Babies; Children; Adults; One to one',
  ),
  trade(
    'Art classes',
    'LocalBusiness',
    'pottery classes; painting classes; craft workshop; drawing',
    'teach drawing and making',
    'Evening classes; Weekends; Children; Private groups',
  ),
])
