# Making a page a template, and no longer.
class Pages::TemplatesController < ApplicationController
  include OnPage

  door :template

  def edit
    @template = @page.template || @page.build_template
  end

  def update
    @template = @page.template || @page.build_template(created_at: Time.current)
    return render(:edit, status: :unprocessable_entity) unless @template.update(fields(:template).permit(:description, :whole_house))

    redirect_to @page, status: :see_other, notice: t(".done")
  end

  def destroy
    @page.template&.destroy!
    redirect_to @page, status: :see_other, notice: t(".done")
  end
end
