/** What core/workbench/pulse-price says to people, in English. */
export const say = {
  priceAndPulseValueMust: "Price and pulse value must be above zero.",
  typeWhatOnePulseIs: "Type what one pulse is worth, and the price or the count.",
  theCustomerIsCharged: "The customer is charged",
  countValue: "count × value",
  pulses: "Pulses",
  nPriceValueUp: "n = price / value, up",
  remainder: "Remainder",
  pulsesAndPrices: "Pulses and prices",
  pricePulseValueCountWhat: "Price, pulse value, count, what is charged",
  price: "Price",
  onePulseIsWorth: "One pulse is worth",
  countSet: "Count set",
  setTooLowItSells: "Set too low: it sells below the price.",
  setTooHighItTakes: "Set too high: it takes more than the price.",
  thePriceIsNoWhole: (over: string) => `The price is no whole number of pulses: ${over} too much is taken.`,
  itComesOutEven: "It comes out even.",
};
