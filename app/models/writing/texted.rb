# A record that says a state of its page and holds its text: a draft or an edition.
module Texted
  extend ActiveSupport::Concern

  included do
    belongs_to :page
    belongs_to :text, foreign_key: %i[page_id digest], primary_key: %i[page_id digest], optional: true

    before_create { Text.keep(page_id, @state) }
  end

  # @return [State]
  def state
    @state ||= State.new(title: title, document: (text || raise(ActiveRecord::RecordNotFound)).document, digest: digest) # erased since it was read
  end

  # @param state [State]
  def state=(state)
    @state = state
    assign_attributes(title: state.title, digest: state.digest)
  end

  def document
    state.document
  end

  # @return [Array<Zuhause::Links::Reference>] what its text points to
  def points
    state.points
  end
end
