module NewsHelper
  # Where a telling leads: to what was said, to the review, or to the page or room.
  def telling_path(telling)
    happening = telling.happening
    return page_review_path(happening.page) if happening.act.start_with?("review_") && happening.page
    return remark_path(happening.details["remark"]) if happening.details["remark"]

    polymorphic_path(telling.told_of)
  end

  # @param group [NewsList::Group]
  # @return [String, nil] where one sees what has changed since the first edition that was told
  def changed_since(group)
    first = group.tellings.filter_map { |telling| telling.happening.details["edition"] if LatestChanges::ACTS.include?(telling.happening.act) }.min
    page_comparison_path(group.place, from: first - 1, to: group.place.edition.number) if first && first > 1 && group.place.edition&.number.to_i >= first
  end

  # @return [Integer] pages and rooms with news that have not been looked at; none are counted while looking as somebody else
  def news_waiting
    viewer.looking? ? 0 : Telling.waiting_for(viewer)
  end

  # @param target [Page, Room, Tag, KeptSearch]
  # @return [Follow, nil] the viewer's, if they follow it
  def followed(target)
    follow = Follow.of(viewer.person, target)
    follow unless follow.nil? || follow.stopped?
  end
end
