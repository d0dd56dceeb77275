export { MoneyScreen as default } from '@/places/money/MoneyScreen';
