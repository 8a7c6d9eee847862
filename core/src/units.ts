import { standardGravityMPerS2 } from './mass/body';
/**
 * The one place where the units of the work meet SI. Core, database and wire hold SI; forms and displays convert here.
 * The international inch, foot and avoirdupois pound are exact by definition.
 */
const metresPerInch = 0.0254;
const kilogramsPerPound = 0.45359237;
const ouncesPerPound = 16;

export const mmFromM = (metres: number): number => metres * 1000;
export const mFromMm = (millimetres: number): number => millimetres / 1000;
export const inFromM = (metres: number): number => metres / metresPerInch;
export const mFromIn = (inches: number): number => inches * metresPerInch;
export const ftFromM = (metres: number): number => inFromM(metres) / 12;
export const mFromFt = (feet: number): number => mFromIn(feet * 12);
export const mFromCm = (centimetres: number): number => centimetres / 100;
export const gFromKg = (kilograms: number): number => kilograms * 1000;
export const kgFromG = (grams: number): number => grams / 1000;
export const lbFromKg = (kilograms: number): number => kilograms / kilogramsPerPound;
export const kgFromLb = (pounds: number): number => pounds * kilogramsPerPound;
export const ozFromKg = (kilograms: number): number => lbFromKg(kilograms) * ouncesPerPound;
export const kgFromOz = (ounces: number): number => kgFromLb(ounces / ouncesPerPound);

export const radFromDeg = (degrees: number): number => (degrees * Math.PI) / 180;
export const degFromRad = (radians: number): number => (radians * 180) / Math.PI;

/** The pound-force is a pound under standard gravity, exactly. */
const newtonsPerPoundForce = kilogramsPerPound * 9.80665;
const metresPerMile = 1609.344;

export const mphFromMPerS = (metresPerSecond: number): number => (metresPerSecond * 3600) / metresPerMile;
export const mPerSFromMph = (milesPerHour: number): number => (milesPerHour * metresPerMile) / 3600;
export const sqFtFromM2 = (squareMetres: number): number => squareMetres / mFromFt(1) ** 2;
export const m2FromSqFt = (squareFeet: number): number => squareFeet * mFromFt(1) ** 2;
export const lbfFromN = (newtons: number): number => newtons / newtonsPerPoundForce;
export const nFromLbf = (poundsForce: number): number => poundsForce * newtonsPerPoundForce;
/** The mass whose weight that is, kg, and back; under standard gravity. */
export const kgFromWeight = (newtons: number): number => newtons / standardGravityMPerS2;
export const weightFromKg = (kilograms: number): number => kilograms * standardGravityMPerS2;
export const lbfFtFromNm = (newtonMetres: number): number => lbfFromN(ftFromM(newtonMetres));
export const nmFromLbfFt = (poundFeet: number): number => nFromLbf(mFromFt(poundFeet));
/** One lbf·ft is 192 ozf·in. */
export const ozfInFromNm = (newtonMetres: number): number => lbfFtFromNm(newtonMetres) * 192;
export const nmFromOzfIn = (ounceInches: number): number => nmFromLbfFt(ounceInches / 192);
export const lbIn2FromKgM2 = (kilogramMetresSquared: number): number =>
	lbFromKg(inFromM(inFromM(kilogramMetresSquared)));

export const fahrenheitFromCelsius = (celsius: number): number => (celsius * 9) / 5 + 32;
export const celsiusFromFahrenheit = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
