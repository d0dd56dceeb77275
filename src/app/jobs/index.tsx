export { JobsScreen as default } from '@/places/jobs/JobsScreen';
