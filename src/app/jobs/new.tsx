export { NewJobScreen as default } from '@/places/jobs/NewJobScreen';
