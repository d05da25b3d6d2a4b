/** How many screen pixels the unit of sizes has: it follows the size of letters that the browser is set to. */
export const unit = (): number => parseFloat(getComputedStyle(document.documentElement).fontSize);
