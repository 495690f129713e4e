module Leaves
  # A file shown in place, or what its writer says of an address: nothing is fetched from it.
  class Embed < Leaf
    def needs(attrs)
      { files: [ attrs["file"] ] }
    end

    private

    def told(attrs, document)
      return card(attrs) if attrs["address"]

      file = level.file(attrs["file"], document) or return missing
      address = page_file_path(file)
      shown = case file.kind
      when "video" then %(<video controls preload="metadata" src="#{address}"></video>)
      when "pdf" then sheets(file, address)
      when "audio" then %(<audio controls preload="metadata" src="#{address}"></audio>)
      end
      %(#{shown}<p class="file"><a href="#{address}">#{escape(file.name)}</a> <span>#{ActiveSupport::NumberHelper.number_to_human_size(file.content.blob.byte_size)}</span></p>)
    end

    def card(attrs)
      target = Zuhause::Links::Target.parse(attrs["address"])
      title = attrs["title"].presence || target.site
      text = %(<span class="card-text">#{escape(attrs["text"])}</span>) if attrs["text"].present?
      %(<a class="card" rel="noopener noreferrer" href="#{escape(target.address)}"#{' target="_blank"' if viewer.sites_apart?}><span class="card-title">#{escape(title)}</span>#{text}<span class="card-site">#{escape(target.site)}</span></a>)
    end

    def sheets(file, address)
      return unless file.sheets

      shown = [ file.sheets, PageFile::SHEETS_SHOWN ].min
      pictures = (1..shown).map { |number| %(<img src="#{address}?sheet=#{number}" alt="#{escape(t("sheet", number: number, count: file.sheets, name: file.name))}" loading="lazy">) }
      %(<div class="pdf" tabindex="0" role="group" aria-label="#{escape(file.name)}">#{pictures.join}</div>)
    end
  end
end
