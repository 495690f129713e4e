# By subject; access comes first, since places are given it, and what catches the rest comes last.
Rails.application.routes.draw do
  %i[access people inviting structure writing publishing review freshness showing links finding sources files exchange tasks talk works news administration].each { |subject| draw(subject) }
end
