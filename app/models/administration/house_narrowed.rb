# What narrower settings of the house close besides what access says, counted before they are made.
class HouseNarrowed
  # @param before [House] as it is set
  # @param after [House] as it would be
  def initialize(before, after)
    @before, @after = before, after
  end

  # @return [Hash{Symbol=>Integer}] of each thing that something of closes, how many: +circles+, addresses that let nobody in any
  #   more; +invitations+ that hold no more; +asking+, requests that wait and can be answered still; +binned+, what is erased the
  #   next night; +sought+, what was gathered and goes; +readers+, published pages whose readers nobody sees any more
  def closed
    { circles: circles, invitations: invitations, asking: asking, binned: binned, sought: sought, readers: readers }.compact
  end

  private

  def circles
    off?(:circles) && Circle.standing.includes(:room, :page, :keeper).count { |circle| circle.holds?(@before) }.nonzero? || nil
  end

  def invitations
    return unless @before.invited_by_keepers != @after.invited_by_keepers || @before.joining_domains != @after.joining_domains

    waiting = Invitation.untaken.where(expires_at: Time.current..).includes(:room, :page, :group, :inviter)
    waiting.count { |invitation| invitation.holds?(@before) && !invitation.holds?(@after) }.nonzero?
  end

  def asking
    JoinRequest.waiting.count.nonzero? if off?(:asking_to_join)
  end

  def binned
    Page.binned.where(bin_root_id: Page.due_for_erasing(@after.bin_days).select(:id)).where.not(bin_root_id: Page.due_for_erasing(@before.bin_days).select(:id)).count.nonzero? if @after.bin_days < @before.bin_days
  end

  def sought
    Sought.count.nonzero? if off?(:gathers_sought)
  end

  def readers
    Page.kept.where.not(edition_id: nil).count.nonzero? if off?(:tells_readers)
  end

  def off?(switch)
    @before.public_send(switch) && !@after.public_send(switch)
  end
end
