import { Extension } from "@tiptap/core"
import { NodeSelection, Plugin, PluginKey } from "@tiptap/pm/state"

// Keeps what is being written, found or chosen where it can be seen: below the roof, above the workbench and the panel
// that is open on it, and above a keyboard on the screen.

const MARGIN = 28 // pixels between that and what would hide it

const bottomOf = (element) => element?.getBoundingClientRect().bottom ?? 0

// The window's part in which text can be read, in its coordinates.
export function seen(view, root) {
  const screen = window.visualViewport
  const [left, right] = [view.dom.getBoundingClientRect().left, view.dom.getBoundingClientRect().right]
  const above = Math.max(screen?.offsetTop ?? 0, bottomOf(document.querySelector(".roof")))
  const covers = [...root.querySelectorAll(".bench, .bench-panel:not([hidden])")].map((part) => part.getBoundingClientRect())
    .filter((box) => box.height > 0 && box.right > left && box.left < right).map((box) => box.top)
  return { top: above + MARGIN, bottom: Math.min(...covers, (screen?.offsetTop ?? 0) + (screen?.height ?? window.innerHeight)) - MARGIN }
}

// Where the selection stands; of a block that is chosen whole, the block.
function place(view) {
  const { selection } = view.state
  const dom = selection instanceof NodeSelection && view.nodeDOM(selection.from)
  return dom?.getBoundingClientRect ? dom.getBoundingClientRect() : view.coordsAtPos(selection.head)
}

export function keepInView(view, root) {
  const { top, bottom } = seen(view, root)
  const box = place(view)
  const by = box.top < top || box.bottom - box.top > bottom - top ? box.top - top : box.bottom > bottom ? box.bottom - bottom : 0
  if (Math.abs(by) > 1) window.scrollBy({ top: by, behavior: "instant" })
}

// The workbench stands on the keyboard where one covers the window's foot.
function standOn(bench) {
  const screen = window.visualViewport
  const covered = screen ? Math.max(0, window.innerHeight - screen.height - screen.offsetTop) : 0
  bench.style.transform = covered > 1 ? `translateY(-${covered}px)` : ""
}

export default (root) => Extension.create({
  name: "in_view",
  addProseMirrorPlugins: () => [new Plugin({
    key: new PluginKey("in_view"),
    props: {
      handleScrollToSelection(view) {
        keepInView(view, root)
        return true
      }
    },
    view(view) {
      const bench = root.querySelector(".bench")
      const settle = () => {
        standOn(bench)
        if (view.hasFocus() || root.querySelector(".bench-panel:not([hidden])")) keepInView(view, root)
      }
      // The workbench grows by a line or a panel, and a panel by what is found.
      const watch = new ResizeObserver(settle)
      for (const part of [bench, ...root.querySelectorAll(".bench-panel")]) watch.observe(part)
      // The browser brings a caret that was moved by key to the window's edge only.
      const follow = (event) => { if (/^(Arrow|Page|Home|End)/.test(event.key)) keepInView(view, root) }
      window.visualViewport?.addEventListener("resize", settle)
      window.visualViewport?.addEventListener("scroll", settle)
      view.dom.addEventListener("keyup", follow)
      return {
        destroy() {
          watch.disconnect()
          window.visualViewport?.removeEventListener("resize", settle)
          window.visualViewport?.removeEventListener("scroll", settle)
          view.dom.removeEventListener("keyup", follow)
        }
      }
    }
  })]
})
