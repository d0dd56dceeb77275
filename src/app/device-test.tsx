import { DeviceTest } from '@/places/device-test/DeviceTest';

export default DeviceTest;
