# Several pages into the bin, with all below them, and back.
class Selections::BinningsController < ApplicationController
  include OnSelection

  door :somebody

  def create
    return unless all_may?(:bin?)

    @below = tops.sum { |page| page.subtree.merge(Page.seen_by(viewer)).count } - @pages.size
    return render(:create) unless params[:confirmed]

    Page.transaction { tops.each { |page| page.put_in_bin(by: viewer.person) } }
    undo selections_binning_path, method: :delete, pages: tops.map(&:public_id)
    redirect_to back, status: :see_other, notice: t(".done", count: tops.size)
  end

  def destroy
    return unless all_may?(:put_back?)

    Page.transaction { @pages.each { |page| page.put_back_from_bin(by: viewer.person) } }
    redirect_to back, status: :see_other, notice: t(".done", count: @pages.size)
  rescue Page::Binnable::NoPlace
    redirect_to back, status: :see_other, alert: t("pages.binnings.destroy.where")
  end

  private

  def selectable
    action_name == "destroy" ? Page.in_bin_of(viewer).bin_roots : super
  end
end
