# What a door answers, as its act says: derived from the table of acts, for the people of the doors test.
module DerivedAnswers
  LEVELS = { outside: :none, stranger: :none, reader: :read, writer: :write, keeper: :keep, admin: :none }.freeze
  VIEWERS = LEVELS.keys.index_with do |who|
    who == :outside ? Zuhause::Access::Viewer.outside : Zuhause::Access::Viewer.new(id: who, administrator: who == :admin)
  end.freeze

  module_function

  # @param name [String] verb and path of a route
  # @return [Array<Symbol>] the acts that its action is
  def acts(name)
    route = route(name)
    controller = "#{route.defaults[:controller]}_controller".camelize.constantize
    controller.respond_to?(:acts_of) ? controller.acts_of(route.defaults[:action]) : []
  end

  # @return [Array<Integer>, nil] the answer in HTML for each of those who knock; nil where no act says it
  def of(name)
    acts = acts(name)
    return if acts.empty?

    done = name.start_with?("GET") ? 200 : 303
    LEVELS.keys.map { |who| acts.map { |act| answer(act, who) }.compact.max || done }
  end

  # @return [Integer, nil] nil where the act stands in nobody's way
  def answer(act, who)
    level = LEVELS.fetch(who)
    return { anybody: nil, somebody: (404 if who == :outside), seen: (404 if level == :none) }.fetch(act) if Doors::OPEN.include?(act)

    need = Zuhause::Access::Acts::TABLE.fetch(act)
    return 404 if who == :outside || (need.office.nil? && level == :none)

    sight = Zuhause::Access::Sight.of(level, published: true)
    403 unless Zuhause::Access::Acts.may?(act, VIEWERS.fetch(who), level: level, sight: sight)
  end

  def route(name)
    verb, path = name.split
    Rails.application.routes.routes.reject(&:internal).find { |route| route.path.spec.to_s.delete_suffix("(.:format)") == path && (route.verb.presence || "ANY").sub("PUT", "PATCH") == verb }
  end
end
