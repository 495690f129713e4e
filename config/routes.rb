Rails.application.routes.draw do
end
