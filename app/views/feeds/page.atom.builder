atom_feed(language: page.language || I18n.default_locale, url: request.original_url, root_url: page_url(page)) do |feed|
  feed.title("#{page.title} · #{house.name}")
  feed.updated(editions.first&.published_at || page.created_at)
  editions.each do |edition|
    feed.entry(edition, url: page_edition_url(page, edition), published: edition.published_at, updated: edition.published_at) do |entry|
      entry.title(t("feeds.edition", number: edition.number, title: edition.title))
      entry.summary([ edition.note.presence, edition.words_added && t("editions.size", added: edition.words_added, removed: edition.words_removed) ].compact.join(" · "))
      entry.author { |author| author.name(reader.meets?(edition.author) ? edition.author.name : house.name) }
    end
  end
end
