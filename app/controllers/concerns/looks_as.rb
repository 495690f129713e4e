# Looking at the house as somebody else sees it: some screens only, and nothing can be done meanwhile.
module LooksAs
  extend ActiveSupport::Concern

  SHOWN = %w[home#show pages#show rooms#show branches#index page_files#show remarks#show].freeze
  ALWAYS = %w[looks#create looks#destroy sessions#destroy].freeze

  included { before_action :only_look, if: -> { session[:look] } }

  private

  # @return [LookingViewer, nil] nil, and no more from then on, where it cannot be
  def looking_as(own)
    return if session[:look].nil? || ALWAYS.include?("#{controller_path}##{action_name}")

    LookingViewer.named(session[:look], own).tap { |looking| session.delete(:look) if looking.nil? }
  end

  def only_look
    return unless viewer.looking?
    return if request.get? && SHOWN.include?("#{controller_path}##{action_name}")

    respond_to do |format|
      format.json { render json: { error: t("looks.closed.title") }, status: :forbidden }
      format.any { render "looks/closed", formats: :html, status: :forbidden }
    end
  end
end
