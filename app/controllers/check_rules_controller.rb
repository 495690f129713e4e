# How often the pages of a room, or a page and what is below it, are to be checked.
class CheckRulesController < ApplicationController
  include FindsPlace

  door :check_rules

  def edit
    @rule = CheckRule.of(@place)
  end

  def update
    return redirect_to(place_path, status: :see_other, notice: t(".done")) if CheckRule.transaction { (@rule = CheckRule.of(@place)).set(months, by: viewer.person) }

    render :edit, status: :unprocessable_entity
  end

  def destroy
    rule = CheckRule.of(@place)
    rule.end(by: viewer.person) if rule.persisted?
    redirect_to place_path, status: :see_other, notice: t(".done")
  end

  private

  # One that is offered, or another number; never.
  def months
    given = fields(:rule)
    return if given[:every] == "never"

    given[:every] == "other" ? given[:months].presence || 0 : given[:every].presence || 0
  end

  def place_path
    @page&.published? ? page_checks_path(@page) : @place
  end
end
