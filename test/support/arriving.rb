# Bringing in files as a form does, into @room.
module Arriving
  private

  def make(arrival, publish: "0", **decided)
    patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id, publish: publish, **decided }
    assert_response :see_other
  end

  def key(arrival, path)
    arrival.files.find_by!(path: path).key
  end

  def change(arrival, key, **told)
    patch "/arrivals/#{arrival.public_id}/texts/#{key}", params: told, as: :json
  end

  def look(arrival, path)
    get "/arrivals/#{arrival.public_id}/texts/#{key(arrival, path)}"
    assert_response :success
    css_select(".arrived-text .text")
  end

  def bring(files, page: nil, folder: false)
    files = { "all.zip" => Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string } if folder
    uploads = files.map { |name, content| Rack::Test::UploadedFile.new(StringIO.new(content.b), "application/octet-stream", true, original_filename: name) }
    post "/arrivals", params: { files: uploads, page: page }.compact
    assert_response :see_other
    Arrival.order(:id).last
  end
end
