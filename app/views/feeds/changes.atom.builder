atom_feed(url: request.original_url, root_url: changes_url(room: room&.public_id)) do |feed|
  feed.title([ t("changes.index.title"), room&.name, house.name ].compact.join(" · "))
  feed.updated(happenings.first&.created_at || Time.current)
  happenings.each do |happening|
    feed.entry(happening, id: "#{request.base_url}/changes/#{happening.id}", url: page_url(happening.page), published: happening.created_at, updated: happening.created_at) do |entry|
      entry.title(happening.title)
      entry.summary(happening.details["note"].presence || t("changes.index.edition", number: happening.details["edition"]))
      entry.author { |author| author.name(happening.person && @reader.meets?(happening.person) ? happening.person.name : house.name) }
    end
  end
end
