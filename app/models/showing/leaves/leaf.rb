# One kind of what stands in a document and is told anew at each view.
module Leaves
  class Leaf
    include Rails.application.routes.url_helpers

    # @param level [ShowingLevel] all that is shown equally deep
    def initialize(level)
      @level = level
    end

    # @param attrs [Hash] a node's
    # @return [Hash{Symbol=>Array<String>}] public ids of the :pages, :people, :files and :sources that it is told with
    def needs(_attrs)
      {}
    end

    # @param node [Hash]
    # @param document [ShownDocument] in which it stands
    # @return [String] HTML
    def html(node, document)
      told(node["attrs"] || {}, document)
    end

    private

    attr_reader :level

    delegate :viewer, to: :level

    def t(key, **values)
      I18n.t("document.#{key}", **values)
    end

    def escape(text)
      CGI.escapeHTML(text.to_s)
    end

    def name_of(person)
      person.name if person && viewer.meets?(person)
    end

    def day(date)
      I18n.l(::Date.iso8601(date), format: :day_and_year)
    rescue ::Date::Error
      date
    end

    def missing
      %(<span class="insert-none">#{escape(t("file_gone"))}</span>)
    end
  end
end
