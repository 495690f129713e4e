# Who keeps what depends on people and groups too. An act on them that would leave a place without a keeper is refused;
# suspending somebody is not, since it must never wait.
module Keeping
  # @yield changes people or groups
  # @return [Boolean] false, with an error on this record and nothing changed, if a place would lose its last keeper
  def keeping_all_kept
    transaction(requires_new: true) do
      kept = Keeping.kept_places
      yield
      lost = kept - Keeping.kept_places
      next true if lost.empty?

      errors.add(:base, :last_keeper, count: lost.size)
      raise ActiveRecord::Rollback
    end || false
  end

  # @return [Array<Array(String, Integer)>] kind and id of each place that keeps itself and has a keeper
  def self.kept_places
    switches = House.current.switches.for_good
    people = Person.viewers
    places = [ Room.shared, Page.where(own_list: true) ].flat_map do |scope|
      scope.pluck(:id, :access_list_id).map { |id, list| [ scope.model_name.name, id, list ] }
    end
    kept = AccessList.where(id: places.map(&:last).uniq).includes(:entries).index_with do |list|
      Zuhause::Access::Audience.new(list.to_list, people, switches).keepers.any?
    end.transform_keys(&:id)
    places.select { |_kind, _id, list| kept.fetch(list) }.map { |kind, id, _list| [ kind, id ] }
  end
end
