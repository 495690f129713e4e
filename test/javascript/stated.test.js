import { test } from "node:test"
import assert from "node:assert/strict"
import stated from "../../app/javascript/editor/schema.json"
import { ADDRESS, BLOCKS, newId, TARGET } from "../../app/javascript/editor/ids"
import schema from "./schema"

const attrs = (type) => Object.fromEntries(Object.entries(type.spec.attrs ?? {}).map(([name, attr]) => [name, attr.default ?? null]))

// Ids are given by an extension of their own.
const without = ({ id, ...rest }) => rest

test("every node type that the core states is there, holds what it states and has its attributes, and no other is", () => {
  assert.deepEqual(Object.keys(schema.nodes).sort(), Object.keys(stated.nodes).sort())
  for (const [name, { content, group, marks, attrs: own }] of Object.entries(stated.nodes)) {
    const { spec } = schema.nodes[name]
    assert.deepEqual([name, spec.content ?? "", spec.group ?? null, spec.marks !== "", attrs(schema.nodes[name])], [name, content, group, marks, without(own)])
  }
})

test("every mark that the core states is there with its attributes, and no other is", () => {
  assert.deepEqual(Object.keys(schema.marks).sort(), Object.keys(stated.marks).sort())
  for (const [name, { attrs: own }] of Object.entries(stated.marks)) assert.deepEqual([name, attrs(schema.marks[name])], [name, own])
})

test("new ids, and addresses of pages and their parts", () => {
  const ids = Array.from({ length: 200 }, newId)
  assert.equal(new Set(ids).size, 200)
  assert.ok(ids.every((id) => new RegExp(`^[${stated.ids.letters}]{${stated.ids.block}}$`).test(id)))
  assert.deepEqual("/p/gangway-in-ice-k3j2h1g0aa#b-a1b2c3d4".match(ADDRESS).slice(1), ["k3j2h1g0aa", "a1b2c3d4"])
  assert.equal("/p/k3j2h1g0aa".match(ADDRESS)[1], "k3j2h1g0aa")
  assert.equal("/p/k3j2h1g0aa0".match(ADDRESS), null)
  assert.deepEqual("page:k3j2h1g0aa#a1b2c3d4".match(TARGET).slice(1), ["k3j2h1g0aa", "a1b2c3d4"])
  assert.equal("page:short".match(TARGET), null)
  assert.ok(BLOCKS.includes("paragraph") && !BLOCKS.includes("text") && !BLOCKS.includes("doc"))
})
