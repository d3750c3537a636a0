import type { CareWords } from './care-word'

export const ITALIAN: CareWords = {
  title: 'Scheda di cura: {name}',
  intro: 'Di che cosa è fatto il vostro sito, dove si trova e a chi rivolgersi. Conservatela insieme ai file che l’accompagnano.',
  where: 'Dove si trova',
  since: 'In linea dal {day}',
  ask: 'A chi rivolgersi',
  askThem: '{who} ha realizzato il vostro sito. Chiedete qui per nuovi testi, un’altra pagina, altri orari.',
  set: 'Che cosa è impostato e dove',
  host: 'Il nostro host',
  records: 'Record del dominio {domain}, come andavano impostati dove è stato acquistato',
  certificate: 'Il certificato si rinnova da solo; quello attuale scade il {day}.',
  secrets: 'Qui non c’è nessuna password e nessuna chiave. Conservate le vostre dove solo voi potete leggerle.',
  facts: 'Che cosa dice di voi il sito',
  tell: 'Avvisate chi cura il sito quando qualcosa di questo cambia.',
  beside: 'Che cosa accompagna questa scheda',
  siteFolder:
    'L’intero sito in semplici file. Funzionano su qualsiasi host: copiate il contenuto di questa cartella nella cartella pubblica.',
  projectFolder:
    'Quello che serve per continuare a lavorarci: testi, immagini, modello e caratteri. Instant Fit legge questo zip così com’è.',
  gone: 'Se non ci fossimo più',
  goneWords:
    'Non succede nulla. Il vostro sito non ha bisogno né di Instant Fit né di chi l’ha realizzato: è semplice HTML, stili e ' +
    'immagini. Con questi file qualunque web designer può spostarlo e modificarlo.',
  fonts: 'Caratteri',
  licences: 'Le licenze sono in {file}.',
  made: 'Redatta il {day}',
}
