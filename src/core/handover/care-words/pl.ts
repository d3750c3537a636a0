import type { CareWords } from './care-word'

export const POLISH: CareWords = {
  title: 'Karta opieki: {name}',
  intro: 'Z czego składa się Państwa strona, gdzie się znajduje i kogo pytać. Proszę przechowywać ją razem z plikami obok.',
  where: 'Gdzie się znajduje',
  since: 'W sieci od {day}',
  ask: 'Kogo pytać',
  askThem: 'Stronę wykonał(a) {who}. Tu można prosić o nowe teksty, kolejną podstronę, inne godziny otwarcia.',
  set: 'Co i gdzie ustawiono',
  host: 'Nasz hosting',
  records: 'Rekordy domeny {domain}, tak jak należało je ustawić tam, gdzie ją kupiono',
  certificate: 'Certyfikat odnawia się sam; obecny wygasa {day}.',
  secrets: 'Nie ma tu żadnego hasła ani klucza. Proszę trzymać swoje tam, gdzie nikt inny ich nie przeczyta.',
  facts: 'Co strona o Państwu mówi',
  tell: 'Gdy coś z tego się zmieni, proszę powiedzieć osobie, która opiekuje się stroną.',
  beside: 'Co leży obok tej karty',
  siteFolder:
    'Cała strona jako zwykłe pliki. Działają na każdym hostingu: wystarczy skopiować zawartość tego folderu do folderu publicznego.',
  projectFolder: 'To, czego trzeba do dalszej pracy: teksty, obrazy, szablon i kroje pisma. Instant Fit czyta ten zip takim, jaki jest.',
  gone: 'Gdyby nas zabrakło',
  goneWords:
    'Nic się nie stanie. Strona nie potrzebuje ani Instant Fit, ani tych, którzy ją wykonali: to zwykły HTML, style i ' +
    'obrazy. Z tymi plikami każdy projektant stron może ją przenieść i zmienić.',
  fonts: 'Kroje pisma',
  licences: 'Ich licencje są w {file}.',
  made: 'Sporządzono {day}',
}
