const token = () => document.querySelector("meta[name=csrf-token]")?.content ?? ""

// Sends one file and tells how far it is; answers { ok, body }.
export function upload(url, file, onProgress) {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest()
    const data = new FormData()
    data.append("file", file)
    request.open("POST", url)
    request.setRequestHeader("Accept", "application/json")
    request.setRequestHeader("X-CSRF-Token", token())
    request.upload.addEventListener("progress", (event) => event.lengthComputable && onProgress(event.loaded / event.total))
    request.addEventListener("loadend", () => {
      let body = {}
      try { body = JSON.parse(request.responseText) } catch { /* no answer in words */ }
      resolve({ ok: request.status === 201, body })
    })
    request.send(data)
  })
}
