// A day as readers will see it: by the pattern that pages are shown with, such as "%-d %b %Y".
export function dayInWords(date, { day_format: pattern, months }) {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(date ?? "") ?? []
  if (!year) return ""
  const parts = { "%-d": Number(day), "%d": day, "%b": months[Number(month) - 1], "%-m": Number(month), "%m": month, "%Y": year }
  return pattern.replace(/%-?[a-zA-Z]/g, (sign) => parts[sign] ?? sign)
}
