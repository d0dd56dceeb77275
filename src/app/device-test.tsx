import { DeviceTest } from '@/features/deviceTest/DeviceTest';

export default DeviceTest;
