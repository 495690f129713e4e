class HousePolicy < ApplicationPolicy
  asks people?: :people, groups?: :groups, settings?: :house, take_over?: :take_over
end
