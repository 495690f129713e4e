# Somebody who is nobody in particular, with a level on one page: a member in no group, or somebody who is not signed in.
# Of other pages they see what everybody of that sort sees, and never more than whoever looks at the preview: a guest who writes is
# told nothing that is open to members alone.
class PreviewReader < Viewer
  # @param looker [Viewer] who looks at it
  def initialize(page, level, looker:)
    @looker = looker
    @outside = level == "outside"
    super(@outside ? nil : Person.new(role: "member"))
    @page = page
    @level = @outside ? :read : level.to_sym
  end

  def level_on(place)
    place == @page ? @level : super
  end

  def sight_of(page)
    page == @page ? :draft : super
  end

  private

  def levels
    @told ||= super.select { |list, _level| @looker.list_ids(:read).include?(list) }.freeze
  end

  # Nobody is named in person: only what is open to everybody counts.
  def entries
    super.reject { |_list, grant| grant.holder.id }
  end
end
