# The house's term list.
class TermsController < ApplicationController
  door :terms, of: House
  before_action :find_term, only: %i[edit update destroy]

  def index
    @term = Term.new(others_in_words: params[:others].to_s.first(Term::LONGEST))
    list
  end

  def create
    @term = Term.new(person: viewer.person, **term_params)
    return redirect_to(terms_path, status: :see_other, notice: t(".done", name: @term.name)) if @term.save

    list
    render :index, status: :unprocessable_entity
  end

  def edit; end

  def update
    return redirect_to(terms_path, status: :see_other, notice: t(".done", name: @term.name)) if @term.update(term_params)

    render :edit, status: :unprocessable_entity
  end

  def destroy
    @term.destroy!
    redirect_to terms_path, status: :see_other, notice: t(".done", name: @term.name)
  end

  private

  def find_term
    @term = Term.find_by!(public_id: params[:id])
  end

  def list
    @pagy, @terms = pagy(Term.by_name, limit: 50)
  end

  def term_params
    fields(:term).permit(:name, :meaning, :others_in_words, :language)
  end
end
