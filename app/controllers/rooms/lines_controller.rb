class Rooms::LinesController < ApplicationController
  include InThread

  door :comment

  def create
    add_line
  end
end
