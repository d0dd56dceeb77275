import { Image } from 'react-native-svg';

/** A rectified photo in the plan's own millimetres, as strongly as somebody likes it. */
export interface PlanPhoto {
  data: string;
  widthMm: number;
  lengthMm: number;
}

export function PhotoLayer({ photo, strength }: { photo: PlanPhoto; strength: number }) {
  return (
    <Image
      href={photo.data}
      x={0}
      y={0}
      width={photo.widthMm}
      height={photo.lengthMm}
      preserveAspectRatio="none"
      opacity={strength}
    />
  );
}
