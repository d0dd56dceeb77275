export { PlanScreen as default } from '@/places/bench/PlanScreen';
