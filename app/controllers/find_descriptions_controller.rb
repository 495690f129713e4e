# How a browser's own field asks the house: an OpenSearch description (version 1.1).
class FindDescriptionsController < ApplicationController
  door :anybody

  def show
    respond_to { |format| format.any(:xml, :html) { render formats: :xml, layout: false, content_type: "application/opensearchdescription+xml" } }
  end
end
