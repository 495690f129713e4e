# What somebody has read and written lately comes first where much is found.
class RecentPages
  MOST = 60 # pages
  SAVES = 1000 # looked at; one page may have many

  # @return [Hash{Integer=>Integer}] ranks by page id, 0 for the latest
  def self.ranks(viewer)
    return {} unless viewer.signed_in?

    person = viewer.person
    read = Reading.where(person: person).order(read_at: :desc).limit(MOST).pluck(:page_id, :read_at)
    written = Draft.from(Draft.where(author: person).order(id: :desc).limit(SAVES).select(:page_id, :created_at), :drafts).group(:page_id).maximum(:created_at).to_a
    (read + written).sort_by { |_id, at| at }.reverse.map(&:first).uniq.first(MOST).each_with_index.to_h
  end
end
