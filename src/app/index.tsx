import { demoDayAgain } from '@/demo/firstStart';
import { BenchScreen } from '@/places/bench/BenchScreen';

export default function Bench() {
  return <BenchScreen demoAgain={demoDayAgain} />;
}
