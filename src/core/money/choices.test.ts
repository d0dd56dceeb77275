import { optionCost, type Risk } from './choices';

/** Chances that are as good as known: a Beta of so many cases is a point. */
const sure = (id: string, p: number, cost: number): Risk => ({ id, a: p * 1e9, b: (1 - p) * 1e9, cost });

it('mean and standard deviation are those of every outcome, weighed by its chance (enumeration)', () => {
  const risks = [sure('breaks', 0.2, 9000), sure('comesBack', 0.05, 15_000), sure('cable', 0.35, 2000)];
  let mean = 0;
  let square = 0;
  for (let k = 0; k < 8; k++) {
    let [p, cost] = [1, 4000];
    risks.forEach((r, i) => {
      const chance = r.a / (r.a + r.b);
      const happens = (k >> i) & 1;
      p *= happens ? chance : 1 - chance;
      cost += happens ? r.cost : 0;
    });
    mean += p * cost;
    square += p * cost ** 2;
  }
  const c = optionCost(4000, risks);
  expect(c.mean).toBeCloseTo(mean, 3);
  expect(c.sd).toBeCloseTo(Math.sqrt(square - mean ** 2), 3);
  // what else scatters adds its square
  expect(optionCost(4000, risks, 300).sd).toBeCloseTo(Math.sqrt(square - mean ** 2 + 300 ** 2), 3);
});

it('what is not known of the chances is the variance of a Beta, ab/((a+b)²(a+b+1)) (handbook), added up', () => {
  const [x, y] = [
    { id: 'x', a: 2, b: 8, cost: 1000 },
    { id: 'y', a: 1, b: 3, cost: 500 },
  ];
  const varOf = 1000 ** 2 * (16 / (100 * 11)) + 500 ** 2 * (3 / (16 * 5));
  const c = optionCost(0, [x, y]);
  expect(c.mean).toBeCloseTo(200 + 125, 9);
  expect((c.high - c.low) / 2).toBeCloseTo(1.96 * Math.sqrt(varOf), 1);
  expect((c.high + c.low) / 2).toBeCloseTo(c.mean, 9);
});
