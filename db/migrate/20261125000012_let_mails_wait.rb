# Mails are kept first and sent by a job, which tries again.
class LetMailsWait < ActiveRecord::Migration[7.2]
  def change
    add_column :sent_mails, :waiting, :boolean, null: false, default: false
    add_column :sent_mails, :tries, :integer, null: false, default: 0
    add_column :sent_mails, :due_at, :datetime
    add_index :sent_mails, :due_at, where: "waiting"
  end
end
