// The browser's own way to print.
export default () => ({
  print() {
    window.print()
  },
})
