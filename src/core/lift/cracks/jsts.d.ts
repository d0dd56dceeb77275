// The library ships no types for its module paths; this is the small part that the cross-check uses.
interface JstsGeometry {
  getCoordinates(): unknown[];
  getInteriorPoint(): JstsGeometry;
  contains(other: JstsGeometry): boolean;
  getArea(): number;
}
declare module 'jsts/org/locationtech/jts/geom/Coordinate.js' {
  export default class Coordinate {
    constructor(x: number, y: number);
  }
}
declare module 'jsts/org/locationtech/jts/geom/GeometryFactory.js' {
  export default class GeometryFactory {
    createLineString(c: unknown[]): JstsGeometry;
    createMultiLineString(c: unknown[]): JstsGeometry;
    createPolygon(c: unknown[]): JstsGeometry;
  }
}
declare module 'jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js' {
  const op: { union(g: JstsGeometry): JstsGeometry };
  export default op;
}
declare module 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js' {
  export default class Polygonizer {
    add(g: JstsGeometry): void;
    getPolygons(): { toArray(): JstsGeometry[] };
  }
}
declare module 'jsts/org/locationtech/jts/monkey.js' {}
