# The board: all questions that one may read.
class QuestionsController < ApplicationController
  door :somebody

  def index
    @board = QuestionBoard.new(viewer, show: params[:show], room: params[:room], tag: params[:tag], words: params[:q])
    @pagy = paged(@board.count, limit: 50)
    @questions = @board.questions(limit: @pagy.limit, offset: @pagy.offset)
    @told = ToldRemarks.new(@questions, viewer, replies: false)
  end
end
