module Leaves
  class Figure < Leaf
    def needs(attrs)
      { files: [ attrs["file"] ] }
    end

    private

    def told(attrs, document)
      file = level.file(attrs["file"], document) or return missing
      address = page_file_path(file)
      versions = file.kind == "picture" ? PageFile::WIDTHS.select { |width| width < file.width.to_i }.map { |width| "#{address}?w=#{width} #{width}w" } : []
      source = versions.any? ? %( srcset="#{[ *versions, "#{address} #{file.width}w" ].join(", ")}" sizes="(max-width: 720px) 100vw, 760px") : ""
      size = file.width ? %( width="#{file.width}" height="#{file.height}") : ""
      %(<img src="#{address}"#{source}#{size} alt="#{escape(attrs["alt"])}" loading="lazy">)
    end
  end
end
