export { JoinScreen as default } from '@/places/devices/JoinScreen';
