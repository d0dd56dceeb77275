export { DevicesScreen as default } from '@/places/devices/DevicesScreen';
