export { BenchScreen as default } from '@/places/bench/BenchScreen';
