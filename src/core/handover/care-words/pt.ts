import type { CareWords } from './care-word'

export const PORTUGUESE: CareWords = {
  title: 'Ficha de cuidados: {name}',
  intro: 'De que é feito o seu site, onde está e a quem perguntar. Guarde-a junto com os ficheiros que a acompanham.',
  where: 'Onde está',
  since: 'No ar desde {day}',
  ask: 'A quem perguntar',
  askThem: '{who} fez o seu site. Pergunte aqui por novos textos, outra página ou outros horários.',
  set: 'O que foi definido e onde',
  host: 'O nosso alojamento',
  records: 'Registos do domínio {domain}, tal como deviam ser definidos onde foi comprado',
  certificate: 'O certificado renova-se sozinho; o atual termina em {day}.',
  secrets: 'Aqui não há nenhuma palavra-passe nem chave. Guarde as suas onde só você as possa ler.',
  facts: 'O que o site diz de si',
  tell: 'Avise quem cuida do site quando algo disto mudar.',
  beside: 'O que acompanha esta ficha',
  siteFolder: 'Todo o site em ficheiros simples. Funcionam em qualquer alojamento: copie o conteúdo desta pasta para a pasta pública.',
  projectFolder:
    'O que é preciso para continuar a trabalhar nele: textos, imagens, modelo e tipos de letra. O Instant Fit lê este zip ' +
    'tal como está.',
  gone: 'Se deixarmos de existir',
  goneWords:
    'Não acontece nada. O seu site não precisa do Instant Fit nem de quem o fez: é HTML simples, estilos e imagens. Com ' +
    'estes ficheiros qualquer web designer pode mudá-lo de sítio e alterá-lo.',
  fonts: 'Tipos de letra',
  licences: 'As licenças estão em {file}.',
  made: 'Feita em {day}',
}
