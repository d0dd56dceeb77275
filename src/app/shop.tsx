import { loadDemo } from '@/demo/seed';
import { ShopScreen } from '@/places/shop/ShopScreen';

export default function Shop() {
  return <ShopScreen loadDemo={loadDemo} />;
}
