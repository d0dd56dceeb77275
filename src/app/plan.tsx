export { PlanScreen as default } from '@/features/bench/PlanScreen';
