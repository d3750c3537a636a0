import type { CareWords } from './care-word'

export const DUTCH: CareWords = {
  title: 'Onderhoudsblad: {name}',
  intro: 'Waar uw website uit bestaat, waar ze staat en wie u kunt vragen. Bewaar het samen met de bestanden ernaast.',
  where: 'Waar ze staat',
  since: 'Online sinds {day}',
  ask: 'Wie u kunt vragen',
  askThem: '{who} heeft uw website gemaakt. Vraag hier om nieuwe teksten, nog een pagina, andere openingstijden.',
  set: 'Wat waar is ingesteld',
  host: 'Onze webhost',
  records: 'Records van het domein {domain}, zoals ze gezet moesten worden waar het is gekocht',
  certificate: 'Het certificaat vernieuwt zichzelf; dat van vandaag loopt tot {day}.',
  secrets: 'Hier staat geen wachtwoord en geen sleutel in. Bewaar de uwe waar alleen u ze kunt lezen.',
  facts: 'Wat de site over u zegt',
  tell: 'Laat het weten aan wie de site onderhoudt als er iets van verandert.',
  beside: 'Wat er naast dit blad ligt',
  siteFolder: 'De hele website als gewone bestanden. Ze werken bij elke webhost: kopieer de inhoud van deze map naar de openbare map daar.',
  projectFolder:
    'Wat nodig is om eraan verder te werken: teksten, beelden, sjabloon en lettertypen. Instant Fit leest deze zip zoals hij is.',
  gone: 'Als wij er niet meer zijn',
  goneWords:
    'Er gebeurt niets. Uw website heeft Instant Fit niet nodig en ook niet wie haar maakte: het is gewone HTML, stijlen en ' +
    'beelden. Met deze bestanden kan elke webdesigner haar verhuizen en veranderen.',
  fonts: 'Lettertypen',
  licences: 'De licenties staan in {file}.',
  made: 'Gemaakt op {day}',
}
