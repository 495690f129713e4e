# What a writer does in the workbench, in a browser. Tests name the page @page.
module Writing
  # As the browser gives files that are pasted.
  def paste_files(*files)
    contents = files.map { |file| file.slice(:name, :type).merge(base64: Base64.strict_encode64(Rails.root.join(file[:path]).binread)) }
    page.execute_script(<<~JS, contents)
      const data = new DataTransfer()
      for (const { name, type, base64 } of arguments[0]) data.items.add(new File([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], name, { type }))
      document.querySelector(".ProseMirror").dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))
    JS
  end

  def editor
    find("[data-ready=true] .ProseMirror")
  end

  def insert(words, choice = /#{words}/i)
    click_on "Insert"
    choose_from_list words, choice
  end

  # Types into the list's own field, or into the text where a sign opened the list there.
  def choose_from_list(typed, words)
    assert_selector "[data-link-panel]"
    page.active_element.send_keys([ :control, "a" ]) if page.active_element[:id] == "link-words"
    page.active_element.send_keys typed
    assert_selector "#link-choices[data-for='#{typed}'] [role=option][aria-selected=true]", text: words
    page.active_element.send_keys :enter
    assert_no_selector "#link-choices[data-for='#{typed}']"
  end

  # The block is chosen by its edge.
  def choose_block(selector, text)
    find(".ProseMirror #{selector}", text: text).hover
    find(".edge").click
    assert_selector "[data-for=block]"
  end

  def saved
    assert_selector "[data-state=saved]", text: "Saved"
  end

  def publish
    saved
    editor.send_keys [ :control, :enter ]
    fill_in "note", with: "More"
    within("[data-publish-panel]") { click_on "Publish" }
    assert_text "is published."
  end

  def draft
    Page.find(@page.id).draft.document
  end

  def block(type)
    Zuhause::Document::Walk.blocks(draft).find { |node| node["type"] == type }
  end
end
