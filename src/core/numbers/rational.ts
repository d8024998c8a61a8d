/** An exact rate such as 30000/1001, both terms positive integers. */
export interface Rational {
  readonly num: number;
  readonly den: number;
}

const greatestCommonDivisor = (a: number, b: number): number => (b === 0 ? a : greatestCommonDivisor(b, a % b));

/** The same ratio in lowest terms. Both terms must be positive integers. */
export const reduceRational = ({ num, den }: Rational): Rational => {
  const divisor = greatestCommonDivisor(num, den);
  return { num: num / divisor, den: den / divisor };
};

/** The ratio as a decimal, e.g. 29.97002997 frames a second for 30000/1001. */
export const rationalToNumber = ({ num, den }: Rational): number => num / den;
