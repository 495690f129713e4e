class People::PicturesController < ApplicationController
  door :somebody

  def show
    picture = Person.find_by!(public_id: params[:person_id]).picture
    raise ActiveRecord::RecordNotFound unless picture.attached?

    return unless stale?(etag: picture.blob.checksum, public: false)

    send_data picture.download, type: "image/png", disposition: "inline"
  end
end
