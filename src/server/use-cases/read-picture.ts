export { readSheetPicture as readPicture } from '../media/sheet-picture'
