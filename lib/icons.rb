# The drawings in app/assets/icons (Lucide), to be written into pages.
module Icons
  FOLDER = Rails.root.join("app/assets/icons")

  # @param name [String] a file's name without its ending
  # @return [ActiveSupport::SafeBuffer] what stands inside its svg element
  def self.body(name)
    @bodies ||= {}
    @bodies[name] ||= FOLDER.join("#{name}.svg").read[%r{<svg.*?>(.*)</svg>}m, 1].squish.html_safe
  end
end
