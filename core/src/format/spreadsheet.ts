/** How a text begins that a spreadsheet would take for a formula: common practice. Line ends may follow anywhere in it. */
export const FORMULA_START = /^[=+\-@\t\r]/;
