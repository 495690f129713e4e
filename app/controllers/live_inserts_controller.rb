# What a live insert would show, for whoever writes one.
class LiveInsertsController < ApplicationController
  door :seen

  def show
    page = Page.seen_by(viewer).find_by!(public_id: params[:page].to_s)
    node = { "type" => "live_insert", "attrs" => { "id" => "preview0", "page" => page.public_id, "passage" => params[:passage].presence }.compact }
    shown = ShownDocument.new(page.edition || page.draft, page: page, viewer: viewer, outermost: true)
    render html: shown.filled([ ShownPieces::HOLD_LEAF.call(node) ]).first.html_safe
  end
end
