import Context from "./context"
import Counting from "./counting"
import Disputes from "./disputes"
import Inserting from "./inserting"
import Local from "./local"
import NamesHere from "./names_here"
import Noting from "./noting"
import Outline from "./outline"
import Keys from "./panels/keys"
import Publishing from "./panels/publishing"
import Searching from "./panels/searching"
import Settling from "./settling"
import Title from "./title"
import Tools from "./tools"
import Writers from "./writers"

// The parts of the workbench. Each is given what they share (Bench) and sees to the rest itself.
export default [Tools, Title, Inserting, Searching, Publishing, Context, Outline, Counting, Settling, Disputes, Keys, Local, Writers, Noting, NamesHere]
