const token = () => document.querySelector("meta[name=csrf-token]")?.content ?? ""

// After signing in again the page's token is one of a session that has ended; the page as it is now has a new one.
// Answers whether the page is open at all.
export async function renewToken() {
  const response = await fetch(location.href, { headers: { Accept: "text/html" } }).catch(() => null)
  if (!response?.ok) return false

  const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector("meta[name=csrf-token]")
  if (fresh) document.querySelector("meta[name=csrf-token]").content = fresh.content
  return true
}

// Sends JSON, or what is to be written as such, and answers { status, ok, body }; rejects only if no answer came.
async function send(method, address, body, options = {}) {
  const response = await fetch(address, {
    method,
    headers: { "Content-Type": "application/json", Accept: "application/json", "X-CSRF-Token": token() },
    body: typeof body === "string" ? body : JSON.stringify(body),
    ...options
  })
  return { status: response.status, ok: response.ok, body: await response.json().catch(() => ({})) }
}

export const post = (address, body) => send("POST", address, body)
export const destroy = (address, body) => send("DELETE", address, body)
export const patch = (address, body, options) => send("PATCH", address, body, options)

export async function get(address) {
  const response = await fetch(address, { headers: { Accept: "application/json" } })
  return response.ok ? response.json() : []
}

// A piece of a page, as the elements of a body of its own; null if there is none.
export async function fragment(address) {
  const response = await fetch(address, { headers: { Accept: "text/html" } }).catch(() => null)
  return response?.ok ? new DOMParser().parseFromString(await response.text(), "text/html").body : null
}
