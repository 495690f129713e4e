class Selections::TaggingsController < ApplicationController
  include OnSelection

  door :somebody

  def create
    return unless all_may?(:tag?)
    return render(:create) unless params[:tags]

    names = Tag.names_in(params[:tags])
    return redirect_to(back, status: :see_other, notice: t(".done", count: @pages.size)) if names.any? && tag_all(names)

    @error = @pages.flat_map { |page| page.errors.full_messages }.first || t(".blank")
    render :create, status: :unprocessable_entity
  end

  private

  def tag_all(names)
    Page.transaction do
      @pages.all? { |page| page.tag_with(page.tags.map(&:name) | names, by: viewer.person) } || raise(ActiveRecord::Rollback)
    end
  end
end
