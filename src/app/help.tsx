export { HelpScreen as default } from '@/places/help/HelpScreen';
