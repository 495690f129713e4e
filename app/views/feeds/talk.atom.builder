atom_feed(language: page.language || I18n.default_locale, url: request.original_url, root_url: page_remarks_url(page)) do |feed|
  feed.title("#{t("feeds.talk", title: page.title)} · #{house.name}")
  feed.updated(remarks.first&.created_at || page.created_at)
  remarks.each do |remark|
    feed.entry(remark, id: "#{request.base_url}/remarks/#{remark.public_id}", url: remark_url(remark), published: remark.created_at, updated: remark.edited_at || remark.created_at) do |entry|
      entry.title(remark_short(remark, told, 80))
      entry.summary(remark_short(remark, told, 1000))
      entry.author { |author| author.name(remark.author && @reader.meets?(remark.author) ? remark.author.name : house.name) }
    end
  end
end
