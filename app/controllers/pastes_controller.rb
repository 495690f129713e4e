# Turns what is pasted into nodes: the core's readers do it, so that nothing is parsed as HTML in the browser.
class PastesController < ApplicationController
  include TellsProblems

  door :somebody

  LONGEST = Zuhause::Document::Schema::MAX_BYTES

  def create
    text, html, grid = request.request_parameters.values_at("text", "html", "grid").map(&:to_s)
    return render(json: { error: t(".too_long") }, status: :content_too_large) if [ text, html, grid ].any? { |each| each.bytesize > LONGEST }

    read = Pasted.new(text: addresses.to_targets(text), html: html.presence && addresses.to_targets(html), grid: grid.presence).read
    render json: { content: read.doc["content"], reports: read.reports.map(&:to_h) }
  rescue Zuhause::Document::Invalid => e
    render json: { error: problems_of(e).to_sentence }, status: :unprocessable_entity
  end

  private

  def addresses
    @addresses ||= PageAddresses.new(request.base_url, viewer)
  end
end
