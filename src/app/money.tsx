export { MoneyScreen as default } from '@/features/money/MoneyScreen';
