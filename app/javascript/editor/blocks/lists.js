import { BulletList, ListItem, ListKeymap, OrderedList } from "@tiptap/extension-list"
import { BULLET, NUMBER, beginList } from "../begin_list"
import { holding } from "./content"

const bulletList = BulletList.extend({
  name: "bullet_list",
  addInputRules: () => [beginList(BULLET, "bullet_list", "list_item")]
}).configure({ itemTypeName: "list_item" })

const orderedList = OrderedList.extend({
  name: "ordered_list",
  addAttributes: () => ({ start: { default: 1 } }),
  addInputRules: () => [beginList(NUMBER, "ordered_list", "list_item", (match) => ({ list: { start: Number(match[1]) } }))]
}).configure({ itemTypeName: "list_item" })

const listItem = ListItem.extend({ name: "list_item" })
  .configure({ bulletListTypeName: "bullet_list", orderedListTypeName: "ordered_list" })

const listKeymap = ListKeymap.configure({ listTypes: [{ itemName: "list_item", wrapperNames: ["bullet_list", "ordered_list"] }] })

const list = (type) => ({ type, content: [holding("list_item")] })

export const nodes = () => [bulletList, orderedList, listItem, listKeymap]
export const inserts = { writing: { bullet_list: list("bullet_list"), ordered_list: list("ordered_list") } }
export const lists = { bullet_list: "list_item", ordered_list: "list_item" }
export const turned = ["bullet_list", "ordered_list", "list_item"]
