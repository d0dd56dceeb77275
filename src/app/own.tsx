export { OwnShopScreen as default } from '@/places/shop/OwnShopScreen';
