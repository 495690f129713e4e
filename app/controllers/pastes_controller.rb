# Turns pasted text into nodes: the core's reader does it, so that nothing is parsed as HTML in the browser.
class PastesController < ApplicationController
  LONGEST = Zuhause::Document::Schema::MAX_BYTES

  def create
    text = request.request_parameters["text"].to_s
    return render(json: { error: t(".too_long") }, status: :content_too_large) if text.bytesize > LONGEST

    read = Zuhause::Markup::MarkdownReader.read(PageAddresses.new(request.base_url, viewer).to_targets(text))
    render json: { content: read.doc["content"], reports: read.reports.map(&:to_h) }
  end
end
