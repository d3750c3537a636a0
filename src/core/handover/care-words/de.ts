import type { CareWords } from './care-word'

export const GERMAN: CareWords = {
  title: 'Pflegeblatt: {name}',
  intro: 'Woraus Ihre Website besteht, wo sie liegt und wen Sie fragen. Heben Sie es mit den Dateien daneben auf.',
  where: 'Wo sie ist',
  since: 'Online seit {day}',
  ask: 'Wen Sie fragen',
  askThem: '{who} hat Ihre Website gemacht. Fragen Sie hier nach neuen Texten, einer weiteren Seite, anderen Öffnungszeiten.',
  set: 'Was wo eingestellt ist',
  host: 'Unser Webhost',
  records: 'Einträge der Domain {domain}, wie sie dort zu setzen waren, wo sie gekauft wurde',
  certificate: 'Das Zertifikat erneuert sich von selbst; das heutige gilt bis {day}.',
  secrets: 'Hier steht kein Passwort und kein Schlüssel. Bewahren Sie Ihre so auf, dass nur Sie sie lesen können.',
  facts: 'Was die Website von Ihnen sagt',
  tell: 'Sagen Sie es, wenn sich davon etwas ändert, wer auch immer die Website pflegt.',
  beside: 'Was neben diesem Blatt liegt',
  siteFolder:
    'Die ganze Website als einfache Dateien. Sie laufen auf jedem Webhost: Kopieren Sie den Inhalt dieses Ordners dort in ' +
    'den öffentlichen Ordner.',
  projectFolder:
    'Was es braucht, um daran weiterzuarbeiten: Texte, Bilder, Vorlage und Schriften. Instant Fit liest diese Zip-Datei, wie sie ist.',
  gone: 'Falls es uns nicht mehr gibt',
  goneWords:
    'Es passiert nichts. Ihre Website braucht weder Instant Fit noch die, die sie gemacht haben: Sie besteht aus einfachem ' +
    'HTML, Stilen und Bildern. Mit diesen Dateien kann jede Webdesignerin und jeder Webdesigner sie umziehen und ändern.',
  fonts: 'Schriften',
  licences: 'Ihre Lizenzen stehen in {file}.',
  made: 'Erstellt am {day}',
}
