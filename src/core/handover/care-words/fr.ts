import type { CareWords } from './care-word'

export const FRENCH: CareWords = {
  title: 'Fiche d’entretien : {name}',
  intro: 'De quoi votre site est fait, où il se trouve et à qui s’adresser. Gardez-la avec les fichiers qui l’accompagnent.',
  where: 'Où il se trouve',
  since: 'En ligne depuis le {day}',
  ask: 'À qui s’adresser',
  askThem: '{who} a fait votre site. Écrivez ici pour de nouveaux textes, une page de plus, d’autres horaires.',
  set: 'Ce qui a été réglé, et où',
  host: 'Notre hébergeur',
  records: 'Enregistrements du domaine {domain}, tels qu’ils devaient être posés là où il a été acheté',
  certificate: 'Le certificat se renouvelle de lui-même ; celui d’aujourd’hui expire le {day}.',
  secrets: 'Aucun mot de passe ni aucune clé ne figure ici. Gardez les vôtres là où vous seul pouvez les lire.',
  facts: 'Ce que le site dit de vous',
  tell: 'Prévenez la personne qui s’occupe du site quand l’un de ces points change.',
  beside: 'Ce qui accompagne cette fiche',
  siteFolder:
    'Tout le site en simples fichiers. Ils fonctionnent chez n’importe quel hébergeur : copiez le contenu de ce dossier dans ' +
    'le dossier public.',
  projectFolder: 'De quoi continuer à y travailler : textes, images, modèle et polices. Instant Fit lit ce zip tel quel.',
  gone: 'Si nous disparaissons',
  goneWords:
    'Il ne se passe rien. Votre site n’a besoin ni d’Instant Fit ni de la personne qui l’a fait : c’est du HTML simple, des ' +
    'styles et des images. Avec ces fichiers, tout webdesigner peut le déplacer et le modifier.',
  fonts: 'Polices',
  licences: 'Leurs licences se trouvent dans {file}.',
  made: 'Établie le {day}',
}
