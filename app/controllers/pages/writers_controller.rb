# Says that one is writing, and answers who else is.
class Pages::WritersController < ApplicationController
  include OnPage

  door :edit

  def create
    PageWriter.note(@page, by: viewer.person)
    render json: { words: PageWriter.others(@page, by: viewer.person).words, version: Draft.where(id: @page.draft_id).pick(:version) }
  end
end
