# All passages that one may show, while somebody types a name: one's own first, then those published lately, each with where it
# is shown already.
class PassageChoicesController < ApplicationController
  door :somebody

  MOST = 30

  def index
    passages = Passage.offered_to(viewer, params[:q]).limit(MOST).to_a
    shown = Reference.from_editions.where(use: "insert").to(:page, passages.map { |passage| passage.page.public_id }).where(page: Page.read_by(viewer)).group(:target_id, :target_block).distinct.count(:page_id)
    render json: passages.map { |passage| told(passage, shown[[ passage.page.public_id, passage.block_id ]].to_i) }
  end

  private

  def told(passage, shown)
    mine = passage.page.edition.author_id == viewer.person.id
    { id: passage.page.public_id, block: passage.block_id, name: passage.name.presence || t(".unnamed"), group: t(mine ? ".mine" : ".others"),
      note: [ passage.page.title, (t(".shown", count: shown) if shown.positive?) ].compact.join(" · ") }
  end
end
