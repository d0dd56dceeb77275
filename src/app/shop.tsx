import { loadDemo } from '@/demo/seed';
import { ShopScreen } from '@/features/shop/ShopScreen';

export default function Shop() {
  return <ShopScreen loadDemo={loadDemo} />;
}
