import start from "./start"
import workbench from "./editor/workbench"

// The button stands in the margin, outside of the workbench.
const keysButton = () => ({ open: () => document.querySelector("[data-keys]").showModal() })

start({ workbench, keysButton })
