module SignpostsHelper
  # @return [String, nil] where a link of the plan leads, as somebody would type it
  def signpost_address(signpost)
    target = signpost.link_target
    target&.kind == :page ? page_url(target.value) : signpost.target
  end
end
