atom_feed(url: request.original_url, root_url: news_index_url) do |feed|
  feed.title("#{t("news.title")} · #{house.name}")
  feed.updated(groups.first&.newest&.happening&.created_at || Time.current)
  groups.each do |group|
    telling = group.newest
    feed.entry(telling, id: "#{request.base_url}/news/#{telling.happening_id}", url: URI.join(request.base_url, telling_path(telling)).to_s, published: telling.happening.created_at, updated: telling.happening.created_at) do |entry|
      entry.title(words.line(group, title: true))
      entry.summary([ *words.notes(group), words.why(group) ].join(" · "))
    end
  end
end
