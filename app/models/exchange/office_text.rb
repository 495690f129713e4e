require "zip"

# Texts of office programs as HTML, made by Pandoc.
class OfficeText
  class Unreadable < StandardError; end

  LARGEST = 200.megabytes # unpacked
  MOST_ENTRIES = 5000
  SECONDS = 60

  # @param bytes [String] a .docx or .odt file
  # @yieldparam html [String]
  # @yieldparam media [Hash{String=>Upload}] its pictures by their names
  # @yieldparam reports [Array<Zuhause::Markup::MarkdownReader::Report>] what is lost on the way
  # @raise [Unreadable]
  def self.read(bytes)
    file = opened(bytes)
    Dir.mktmpdir do |folder|
      html = Pandoc.convert(file.bytes, "--wrap", "none", "--extract-media", ".", from: file.form.to_s, to: "html", seconds: SECONDS, folder: folder)
      media = Dir[File.join(folder, "**/*")].select { |path| File.file?(path) && !File.symlink?(path) }.to_h { |path| [ File.basename(path).downcase, Upload.new(File.basename(path), File.binread(path)) ] }
      yield html, media, file.reports
    end
  rescue Pandoc::Failed
    raise Unreadable
  end

  # What a zip file says of itself is not believed of its sizes alone: the program that reads it is bounded as well.
  def self.opened(bytes)
    entries = Zip::File.open_buffer(StringIO.new(bytes)).entries
    raise Unreadable if entries.size > MOST_ENTRIES || entries.sum(&:size) > LARGEST

    Zuhause::Exchange::OfficeFile.new(bytes).tap { |file| raise Unreadable unless file.form }
  rescue Zip::Error, Zlib::Error, SystemCallError, ArgumentError
    raise Unreadable
  end
  private_class_method :opened
end
