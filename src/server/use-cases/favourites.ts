export { listFavourites, setFavourite } from '../store/favourites'
