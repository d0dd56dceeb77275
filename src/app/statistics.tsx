export { StatisticsScreen as default } from '@/places/records/StatisticsScreen';
