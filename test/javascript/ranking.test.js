import assert from "node:assert/strict"
import test from "node:test"
import { dayInWords } from "../../app/javascript/editor/days"
import { fitting } from "../../app/javascript/editor/ranking"

const CHOICES = [
  { words: "Note", also: "notice, info" }, { words: "Task list", also: "todo, checklist", note: "a list of things to do" }, { words: "List", also: "bullets" },
  { words: "Page title", note: "always as it is now; makes a note of it" }, { words: "Café" }
]
const found = (text) => fitting(CHOICES, text).map(({ words }) => words)

test("names stand before other words, and those before notes", () => {
  assert.deepEqual(found("note"), ["Note", "Page title"])
  assert.deepEqual(found("list"), ["List", "Task list"])
  assert.deepEqual(found("todo"), ["Task list"])
  assert.deepEqual(found("cafe"), ["Café"])
  assert.deepEqual(found("zzz"), [])
  assert.equal(found("").length, CHOICES.length)
})

test("days read as pages show them", () => {
  const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"]
  assert.equal(dayInWords("2026-12-01", { day_format: "%-d %b %Y", months }), "1 Dec 2026")
  assert.equal(dayInWords("2026-12-01", { day_format: "%b %-d, %Y", months }), "Dec 1, 2026")
  assert.equal(dayInWords("soon", { day_format: "%-d %b %Y", months }), "")
})
