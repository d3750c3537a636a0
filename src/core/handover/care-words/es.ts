import type { CareWords } from './care-word'

export const SPANISH: CareWords = {
  title: 'Ficha de cuidado: {name}',
  intro: 'De qué está hecho su sitio web, dónde está y a quién preguntar. Guárdela junto con los archivos que la acompañan.',
  where: 'Dónde está',
  since: 'En línea desde el {day}',
  ask: 'A quién preguntar',
  askThem: '{who} hizo su sitio web. Pregunte aquí por textos nuevos, otra página u otros horarios.',
  set: 'Qué se configuró y dónde',
  host: 'Nuestro servidor web',
  records: 'Registros del dominio {domain}, tal como debían ponerse donde se compró',
  certificate: 'El certificado se renueva solo; el de hoy vence el {day}.',
  secrets: 'Aquí no hay ninguna contraseña ni clave. Guarde las suyas donde solo usted pueda leerlas.',
  facts: 'Lo que el sitio dice de usted',
  tell: 'Avise a quien cuide el sitio cuando algo de esto cambie.',
  beside: 'Qué acompaña a esta ficha',
  siteFolder:
    'Todo el sitio en archivos sencillos. Funcionan en cualquier servidor: copie el contenido de esta carpeta en la carpeta pública.',
  projectFolder:
    'Lo necesario para seguir trabajando en él: textos, imágenes, plantilla y fuentes. Instant Fit lee este zip tal como está.',
  gone: 'Si dejamos de existir',
  goneWords:
    'No pasa nada. Su sitio no necesita ni Instant Fit ni a quien lo hizo: es HTML sencillo, estilos e imágenes. Con estos ' +
    'archivos cualquier diseñador web puede trasladarlo y cambiarlo.',
  fonts: 'Fuentes',
  licences: 'Sus licencias están en {file}.',
  made: 'Hecha el {day}',
}
