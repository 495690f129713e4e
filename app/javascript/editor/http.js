const token = () => document.querySelector("meta[name=csrf-token]")?.content ?? ""

// Sends JSON and answers { status, ok, body }; rejects only if no answer came.
async function send(method, address, body, options = {}) {
  const response = await fetch(address, {
    method,
    headers: { "Content-Type": "application/json", Accept: "application/json", "X-CSRF-Token": token() },
    body: JSON.stringify(body),
    ...options
  })
  return { status: response.status, ok: response.ok, body: await response.json().catch(() => ({})) }
}

export const post = (address, body) => send("POST", address, body)
export const patch = (address, body, options) => send("PATCH", address, body, options)

export async function get(address) {
  const response = await fetch(address, { headers: { Accept: "application/json" } })
  return response.ok ? response.json() : []
}
