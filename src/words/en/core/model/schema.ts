/** What core/model/schema says to people, in English. */
export const say = {
  mustBeAPngJpeg: "must be a png, jpeg or webp image as a data address",
  mustBeDigits0Or: (count: number) => `must be ${count} digits 0 or 1, one a switch`,
};
