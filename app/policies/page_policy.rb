class PagePolicy < ApplicationPolicy
  asks read?: :read, edit?: :edit, publish?: :publish, add_page?: :add_subpage, grant?: :grant, own_list?: :own_list, rename?: :rename,
       bin?: :bin, put_back?: :put_back, erase?: :erase, tag?: :tag, tick?: :tick, comment?: :comment, look_over?: :look_over, review_rules?: :review_rules, retract?: :retract, give_notice?: :give_notice, see_readers?: :see_readers, put_aside?: :put_aside, check?: :check, check_rules?: :check_rules, outdate?: :outdate, answer_help?: :answer_help, pin?: :pin, copy?: :copy, template?: :template, join?: :join

  # @param above [Room, Page]
  def move?(above)
    Zuhause::Access::Acts.move?(viewer.subject, record.to_place, above.to_place, viewer.switches)
  end

  private

  def level
    @level ||= viewer.level_on(record)
  end

  def sight
    viewer.sight_of(record)
  end

  def archived?
    record.room.archived?
  end
end
