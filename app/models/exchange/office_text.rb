require "zip"

# Texts of office programs as HTML, made by Pandoc.
class OfficeText
  class Unreadable < StandardError; end

  LARGEST = 200.megabytes # unpacked
  MOST_ENTRIES = 5000
  SECONDS = 60
  FORMS = { "word/document.xml" => "docx", "content.xml" => "odt" }.freeze

  # @param bytes [String] a .docx or .odt file
  # @yieldparam html [String]
  # @yieldparam media [Hash{String=>Upload}] its pictures by their names
  # @raise [Unreadable]
  def self.read(bytes)
    form = form(bytes)
    Dir.mktmpdir do |folder|
      html = Pandoc.convert(bytes, "--wrap", "none", "--extract-media", ".", from: form, to: "html", seconds: SECONDS, folder: folder)
      media = Dir[File.join(folder, "**/*")].select { |path| File.file?(path) && !File.symlink?(path) }.to_h { |path| [ File.basename(path).downcase, Upload.new(File.basename(path), File.binread(path)) ] }
      yield html, media
    end
  rescue Pandoc::Failed
    raise Unreadable
  end

  # What a zip file says of itself is not believed of its sizes alone: the program that reads it is bounded as well.
  def self.form(bytes)
    Zip::File.open_buffer(StringIO.new(bytes)) do |zip|
      raise Unreadable if zip.entries.size > MOST_ENTRIES || zip.entries.sum(&:size) > LARGEST

      return FORMS.find { |name, _form| zip.find_entry(name) }&.last || raise(Unreadable)
    end
  rescue Zip::Error
    raise Unreadable
  end
  private_class_method :form
end
