# A letter that waits for the mail server knows what it tells, so that what has been closed meanwhile is not sent; and with which
# headers it goes.
class JudgeLettersWhenTheyLeave < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE sent_mails ADD COLUMN tellings text"
    execute "ALTER TABLE sent_mails ADD COLUMN headers text"
  end

  def down
    execute "ALTER TABLE sent_mails DROP COLUMN headers"
    execute "ALTER TABLE sent_mails DROP COLUMN tellings"
  end
end
