# One's own picture: made small when it comes, so that nothing else of the file is kept.
class Profiles::PicturesController < ApplicationController
  door :somebody

  def create
    small = ProfilePicture.small(params[:picture])
    viewer.person.picture.attach(io: StringIO.new(small), filename: "picture.png", content_type: "image/png", identify: false)
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  rescue ProfilePicture::Unfit => e
    redirect_to edit_profile_path, status: :see_other, alert: t(".#{e.message}", limit: ProfilePicture::LARGEST / 1.megabyte)
  end

  def destroy
    viewer.person.picture.purge
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  end
end
