class HousePolicy < ApplicationPolicy
  asks people?: :people, groups?: :groups, settings?: :house
end
