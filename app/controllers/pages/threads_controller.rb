class Pages::ThreadsController < ApplicationController
  include InThread

  door :seen

  def show
    show_thread
  end
end
