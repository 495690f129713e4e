# The tree that pages are to stand in, and what somebody changes about it beforehand.
module Arrival::Arranged
  # @return [Array<ArrivedFile>] texts and folders that are to become pages, each after the one it stands below; one whose place is left
  #   out stands below the next above that is not
  def in_order
    there = files.places.light.order(:position, :id).group_by(&:above_id)
    [].tap { |found| walk(there, nil, nil, found) }
  end

  # @return [Set<String>] keys of what does not become a page
  def gone
    files.places.where(left_out: true).or(files.places.where.not(problem: nil)).pluck(:key).to_set
  end

  # Changes a page beforehand: its title, whether it is left out, its place.
  #
  # @param file [ArrivedFile]
  # @param change [Hash] +title+; +left_out+, "true" or "false", with all below; +above+, a key, or "" for the top, and +before+, the key of
  #   the one that comes after it there
  # @return [Boolean] false, with errors, if it will not do
  def change(file, change)
    transaction do
      next retitle(file, change[:title]) if change[:title]
      next files.where(id: [ file.id, *below(file.id) ]).update_all(left_out: change[:left_out] == "true") && true if change[:left_out]

      change[:above] ? place(file, change[:above], change[:before]) : false
    end
  end

  private

  def walk(there, above, made, found)
    (there[above] || []).each do |file|
      if file.problem || file.left_out then next walk(there, file.id, file.known_page_id && file.problem.nil? ? file.id : made, found)
      elsif file.kind == "folder" && !holds?(there, file) then next
      end

      file.above_id = made
      found << file
      walk(there, file.id, file.id, found)
    end
  end

  def holds?(there, folder)
    (there[folder.id] || []).any? { |file| (file.kind == "text" && file.problem.nil? && !file.left_out) || holds?(there, file) }
  end

  def retitle(file, title)
    problem = Zuhause::Document::Title.problem(Zuhause::Document::Title.clean(title))
    return file.update!(title: title) unless problem

    file.errors.add(:title, problem, count: Zuhause::Document::Title::LENGTH.end)
    false
  end

  def place(file, above, before)
    above = above.empty? ? nil : files.places.light.find_by(key: above)&.id || (return false)
    return false if above && [ file.id, *below(file.id) ].include?(above)

    others = files.places.where(above_id: above).where.not(id: file.id).order(:position, :id).pluck(:id, :key)
    at = others.index { |_id, key| key == before.to_s } || others.size
    ArrivedFile.where(id: file.id).update_all(above_id: above)
    others.map(&:first).insert(at, file.id).each_with_index { |id, i| ArrivedFile.where(id: id).update_all(position: i) }
    true
  end

  # @return [Array<Integer>] ids of all that stand below
  def below(id)
    by_above = files.places.pluck(:above_id, :id).group_by(&:first)
    found, stack = [], [ id ]
    while (each = stack.pop)
      (by_above[each] || []).each { |_above, inner| found << inner && stack << inner }
    end
    found
  end
end
