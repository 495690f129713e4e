import start from "./start"
import workbench from "./editor/workbench"

start({ workbench })
