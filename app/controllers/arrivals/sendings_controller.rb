# Many files, sent some at a time: whoever was cut off asks what has come and sends the rest.
class Arrivals::SendingsController < ApplicationController
  include OnArrival

  before_action { raise ActiveRecord::RecordNotFound if @arrival.work }

  def index
    render json: { paths: @arrival.files.pluck(:path) }
  end

  def create
    files = Array(params[:files]).select { |file| file.respond_to?(:original_filename) }
    paths = Array(params[:paths]).map(&:to_s)
    return render(json: { error: t(".none") }, status: :unprocessable_entity) if files.empty? || files.size != paths.size
    return render(json: { error: t("arrivals.create.too_large", limit: Arrival::LARGEST / 1.megabyte) }, status: :content_too_large) if files.sum(&:size) > Arrival::LARGEST

    there = @arrival.files.where(path: paths).pluck(:path)
    @arrival.keep(paths.zip(files).reject { |path, _file| there.include?(path) }.map { |path, file| [ path, file.open ] })
    render json: { count: @arrival.files.count }, status: :created
  rescue Errno::ENOSPC
    render json: { error: t("arrivals.create.disk_full") }, status: :insufficient_storage
  rescue Arrival::Full => e
    render json: { error: t("arrivals.create.full.#{e.message}", files: Arrival::MOST, limit: house.arrival_megabytes) }, status: :content_too_large
  end
end
