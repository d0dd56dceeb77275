import { NoSuchPage } from '@/bench-kit/NoSuchPage';

export default NoSuchPage;
