import { tradesOf } from '../trade'

/** Those who move, entertain and show. */
export const leisure = tradesOf('leisure', (trade) => [
  trade(
    'Personal training',
    'ExerciseGym',
    'personal trainer; fitness; coach',
    'train people at their own pace',
    'First session; Weekly training; Small groups; Running',
  ),
  trade('Gym', 'ExerciseGym', 'fitness studio; weights; crossfit', 'run a place to train', 'Membership; Classes; Induction; Day pass'),
  trade(
    'Tour guide',
    'TouristInformationCenter',
    'guided walks; walking tours; guide',
    'lead walks and tours',
    'Town walks; Private tours; Schools; Prices',
  ),
  trade(
    'Travel agency',
    'TravelAgency',
    'travel agent; holidays; tours',
    'plan journeys',
    'Rail journeys; Honeymoons; Groups; Tailor-made',
  ),
  trade(
    'Outdoor activities',
    'SportsActivityLocation',
    'climbing; kayaking; canoe hire; outdoor centre; sailing school',
    'take people outdoors',
    'Half days; Courses; Hire; Groups',
  ),
  trade('Golf', 'GolfCourse', 'golf club; driving range; golf lessons', 'keep a golf course', 'Green fees; Membership; Lessons; Clubhouse'),
  trade(
    'Theatre',
    'EntertainmentBusiness',
    'theatre company; playhouse; drama; comedy',
    'put on plays',
    'What is on; Tickets; Youth theatre; Hire',
  ),
  trade('Cinema', 'MovieTheater', 'movie theater; film club', 'show films', 'This week; Tickets; Film club; Hire'),
])
