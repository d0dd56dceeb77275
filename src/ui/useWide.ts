import { useWindowDimensions } from 'react-native';

export const useWide = () => useWindowDimensions().width >= 960;
