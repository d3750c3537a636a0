import { describe, expect, test } from 'vitest'
import { DAYS, parseSpans, parseWeek, toHoursRows, type Hours } from '..'

const span = (opens: string, closes: string) => ({ opens, closes })
const WORK = [span('07:00', '17:30')]

// How people write opening times: common practice, no source.
describe('times of a day', () => {
  test.each([
    ['9-12, 1-5', [span('09:00', '12:00'), span('13:00', '17:00')]],
    ['9-12, 1:30-5', [span('09:00', '12:00'), span('13:30', '17:00')]],
    ['9am-5pm', [span('09:00', '17:00')]],
    ['12pm-3pm', [span('12:00', '15:00')]],
    ['18-2', [span('18:00', '02:00')]],
    ['6pm-2am', [span('18:00', '02:00')]],
    ['8h30-12h, 14h-18h', [span('08:30', '12:00'), span('14:00', '18:00')]],
    ['7-3', [span('07:00', '15:00')]],
  ])('%s', (typed, spans) => {
    expect(parseSpans(typed)).toEqual({ ok: true, spans })
  })

  test.each(['13pm-2', '18-17:00', '9-12-14', 'from nine', '12:75-13', '10-8:30x'])('%s is no time', (typed) => {
    expect(parseSpans(typed).ok).toBe(false)
  })
})

describe('a week in one line', () => {
  const week = (text: string): Hours => {
    const parsed = parseWeek(text)
    if (!parsed.ok) throw new Error(parsed.fault)
    return parsed.hours
  }

  test('days as ranges and lists, each with its times; what is not named is closed', () => {
    const hours = week('Mon-Fri 07:00-17:30, Sat 8-12')
    for (const day of DAYS.slice(0, 5)) expect(hours[day]).toEqual(WORK)
    expect(hours.sat).toEqual([span('08:00', '12:00')])
    expect(hours.sun).toEqual([])
    expect(week('Mo–Th 9–12, 13–17; Fr 9–13').thu).toHaveLength(2)
    expect(week('Tuesdays and Thursdays 10-4')).toMatchObject({ tue: [span('10:00', '16:00')], wed: [], thu: [span('10:00', '16:00')] })
    expect(week('weekdays 9 to 5; weekends closed')).toMatchObject({ fri: [span('09:00', '17:00')], sat: [] })
    expect(week('Fri - Mon: 18-2')).toMatchObject({ sun: [span('18:00', '02:00')], mon: [span('18:00', '02:00')], tue: [] })
    expect(week('every day 8-20').sun).toEqual([span('08:00', '20:00')])
    expect(week('Mon 9am - 12pm and 1pm - 5pm Tue 10am-2pm')).toMatchObject({ mon: [{}, {}], tue: [span('10:00', '14:00')] })
  })

  test('days in the site’s language are known too', () => {
    const parsed = parseWeek('lun.-ven. 9-12, 14-18', { mon: ['lun.'], fri: ['ven.'] })
    expect(parsed).toMatchObject({ ok: true, hours: { wed: [{}, {}], sat: [] } })
  })

  test('what is written for people is read again as the same week', () => {
    const hours = week('Mon-Wed 9-12, 1-5, Thu 18-2, Sat 10-14')
    const written = toHoursRows(hours)
      .map((row) => `${row.days} ${row.times}`)
      .join('; ')
    expect(parseWeek(written)).toEqual({ ok: true, hours })
  })

  test.each([
    ['', 'Write the days'],
    ['9-5', 'names no days'],
    ['Mon-Wed-Fri 9-5', 'names no days'],
    ['Mon nine to five', 'names no days'],
    ['Mon 18-17', 'closes before it opens'],
  ])('“%s” is refused with the reason', (typed, reason) => {
    const parsed = parseWeek(typed)
    expect(parsed.ok ? '' : parsed.fault).toContain(reason)
  })
})
