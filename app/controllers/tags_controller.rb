# The words that pages carry. Each is as large as what the viewer sees of it: renaming and taking off change the pages
# that the viewer may write, and no others.
class TagsController < ApplicationController
  door :somebody
  before_action :find_tag, only: %i[show edit update destroy]

  def index
    @tags = Tag.seen_by(viewer).by_name
    @counts = Tagging.where(tag: @tags, page: Page.seen_by(viewer)).group(:tag_id).count
  end

  def show
    @list = PageList.new(viewer, tag: @tag, sort: params[:by])
    @pagy, @pages = pagy(@list.pages.includes(:room, :edition, :draft, :tags), limit: PageList::PER_PAGE)
  end

  def edit; end

  def update
    tag = @tag.rename(fields(:tag)[:name].to_s, pages: writable)
    return redirect_to(tag, status: :see_other, notice: t(".done", count: writable.size)) if tag.errors.none?

    @tag.errors.copy!(tag.errors)
    render :edit, status: :unprocessable_entity
  end

  def destroy
    @tag.take_from(writable.ids)
    redirect_to(Tag.seen_by(viewer).exists?(@tag.id) ? @tag : tags_path, status: :see_other, notice: t(".done"))
  end

  private

  def find_tag
    @tag = Tag.seen_by(viewer).find_by!(public_id: params[:id])
    raise Pundit::NotAuthorizedError if action_name != "show" && writable.none?
  end

  helper_method def writable
    @writable ||= Page.writable_by(viewer).where(id: @tag.taggings.select(:page_id))
  end
end
