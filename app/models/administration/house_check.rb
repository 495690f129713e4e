# Looks for what must never be: harm that acts at the same moment, or something else, have done to the plan, the lists and the
# files.
# Finds it, and says how it is mended.
class HouseCheck
  Harm = Struct.new(:what, :ids, :mend, keyword_init: true)

  # @return [Array<Harm>] empty for a house that is well
  def self.run
    new.harms
  end

  def harms
    [
      harm("Pages stand below themselves, and are in no plan.", below_themselves, "Page.find(ID).update_columns(ancestry: \"/\") puts each at the top of its room."),
      harm("Pages stand below one that is not there.", orphans, "Page.find(ID).update_columns(ancestry: \"/\") puts each at the top of its room."),
      harm("Pages stand in another room than the page they are below.", astray, "Page.find(ID).then { |page| page.hang(to: page.parent) } takes each along."),
      harm("Pages are kept below one in the bin, and are in no plan.", kept_below_binned, "Page.find(ID).then { |page| page.hang(to: page.room) } puts each at the top of its room."),
      harm("Pages are in the bin with one that is not in the bin by itself.", binned_with_nothing, "Page.where(id: IDS).update_all(\"bin_root_id = id\") lets each wait by itself."),
      harm("Pages grant what their place does not.", wrong_lists, "Page.find(ID).refresh_access_lists brings each in line."),
      harm("What points where is not told as texts and settings say it.", Reference.astray, "Reference.rebuild works it out again."),
      harm("Files are missing or not what they were.", broken_files, "Put each back from a backup, or add the same file once more: it is written again for all pages that show it.")
    ].compact
  end

  private

  def harm(what, ids, mend)
    Harm.new(what: what, ids: ids, mend: mend) if ids.any?
  end

  def pages
    @pages ||= Page.pluck(:id, :ancestry, :room_id, :bin_root_id).to_h { |id, ancestry, room, root| [ id, { above: ancestry.split("/").reject(&:empty?).map(&:to_i), room: room, root: root } ] }
  end

  def found(&question)
    pages.select { |id, page| question.call(id, page) }.keys
  end

  def below_themselves
    found { |id, page| page[:above].any? { |above| above == id || pages[above]&.fetch(:above)&.include?(id) } }
  end

  def orphans
    found { |_id, page| page[:above].any? { |above| !pages.key?(above) } }
  end

  def astray
    found { |_id, page| (above = pages[page[:above].last]) && (above[:room] != page[:room] || above[:above] + [ page[:above].last ] != page[:above]) }
  end

  def kept_below_binned
    found { |_id, page| page[:root].nil? && page[:above].any? { |above| pages[above]&.fetch(:root) } }
  end

  def binned_with_nothing
    found { |_id, page| page[:root] && pages[page[:root]]&.fetch(:root) != page[:root] }
  end

  # Every file held against its sum.
  # @return [Array<String>] keys
  def broken_files
    ActiveStorage::Blob.find_each.reject { |blob| blob.service.whole?(blob.key, blob.checksum) }.map(&:key)
  end

  # What each page grants, worked out again from the grants.
  def wrong_lists
    grants = AccessGrant.all.group_by { |grant| grant.page_id ? [ :page, grant.page_id ] : [ :room, grant.room_id ] }.transform_values { |rows| rows.map(&:to_grant) }
    own = Page.where(own_list: true).ids.to_set
    digests = AccessList.pluck(:id, :digest).to_h
    lists = Hash.new { |known, id| known[id] = list_of(id, grants, own, known) }
    sound = pages.keys - below_themselves - orphans
    stored = Page.where(id: sound).pluck(:id, :access_list_id).to_h
    sound.reject { |id| digests[stored[id]] == lists[id].digest }
  end

  def list_of(id, grants, own, lists)
    given = grants.fetch([ :page, id ], [])
    return Zuhause::Access::List.new(given) if own.include?(id)

    above = pages[id][:above].last
    from_above = above ? lists[above] : Zuhause::Access::List.new(grants.fetch([ :room, pages[id][:room] ], []))
    given.empty? ? from_above : from_above.with(given)
  end
end
