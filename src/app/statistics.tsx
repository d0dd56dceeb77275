export { StatisticsScreen as default } from '@/features/records/StatisticsScreen';
