# Somebody who is nobody in particular, with a level on one page: a member in no group, or somebody who is not signed in.
# Of other pages they see what everybody of that sort sees.
class PreviewReader < Viewer
  def initialize(page, level)
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

  # Nobody is named in person: only what is open to everybody counts.
  def entries
    super.reject { |_list, grant| grant.holder.id }
  end
end
