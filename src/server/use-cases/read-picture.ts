export { readDraftPicture as readPicture } from '../media/draft-picture'
