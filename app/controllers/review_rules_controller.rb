# What a room or a page asks for before a page is published.
class ReviewRulesController < ApplicationController
  include FindsPlace

  door :review_rules

  def edit
    @rule = ReviewRule.of(@place)
  end

  def update
    return redirect_to(@place, status: :see_other, notice: t(".done")) if ReviewRule.transaction { (@rule = ReviewRule.of(@place)).set(by: viewer.person, **chosen, **values) }

    render :edit, status: :unprocessable_entity
  end

  def destroy
    rule = ReviewRule.of(@place)
    rule.end(by: viewer.person) if rule.persisted?
    redirect_to @place, status: :see_other, notice: t(".done")
  end

  private

  # "person:…" and "group:…" by public ids.
  def chosen
    keys = Array.wrap(params[:holders]).map(&:to_s)
    ids = ->(kind) { keys.filter_map { |key| key.delete_prefix("#{kind}:") if key.start_with?("#{kind}:") } }
    { people: Person.active.where(public_id: ids.call("person")).to_a, groups: Group.known_to(viewer).where(public_id: ids.call("group")).to_a }
  end

  def values
    given = fields(:rule)
    { needed: given[:needed].to_s, own: given[:own] == "1", small: given[:small] == "1", prompt: given[:prompt].to_s, remind_after: given[:remind_after].presence }
  end
end
