class HousePolicy < ApplicationPolicy
  asks people?: :people, groups?: :groups, settings?: :house, take_over?: :take_over, order_rooms?: :order_rooms, read_mails?: :read_mails, read_record?: :read_record, terms?: :terms
end
