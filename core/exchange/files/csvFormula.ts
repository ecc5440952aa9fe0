/** What a spreadsheet would run, and what was written so already: cells that begin so get a quote before them. */
export const FORMULA = /^'*[=+\-@\t\r]/
