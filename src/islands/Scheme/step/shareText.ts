/** A share of the model as text. @example shareText(0.005) // '0.5 %' */
export const shareText = (share: number): string => `${Math.round(share * 1000) / 10} %`;
