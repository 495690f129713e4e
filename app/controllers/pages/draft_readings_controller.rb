# The draft to be read and commented on by whoever sees it, those who look it over without writing among them.
class Pages::DraftReadingsController < ApplicationController
  include OnPage

  door :look_over

  def show
    @shown = ShownDocument.new(@page.draft, page: @page, viewer: viewer)
    @notes = NotesBeside.new(@page, viewer, stage: "draft", shown: @shown.shown_live)
  end
end
