# Reading what somebody brought in, as long work: some texts at a time, in a process of their own.
class BringingIn
  PORTION = 25 # texts

  # @param work [Work]
  def initialize(work)
    @work = work
  end

  # @return [Array<Array<String>>] keys of the texts that are still to be read
  def portions
    (uploads.keys - arrival.read.map(&:key)).each_slice(PORTION).to_a
  end

  # @param portion [Array<String>]
  def do(portion)
    names = uploads.transform_values(&:original_filename)
    reading = ReadApart.new(uploads.slice(*portion), pictures: arrival.brought_pictures, keys: names.invert, address: @work.details["address"], into_draft: @work.details["into_draft"])
    reading.each do |text, kept|
      arrival.add(text, kept)
      @work.update!(done: arrival.read.size)
    end
  end

  # They wait to be looked at.
  def finish
    arrival.originals.each(&:purge)
    nil
  end

  def announce(_result); end

  # Nothing of it stays.
  def undo
    arrival_if_there&.destroy!
  end

  private

  def uploads
    @uploads ||= arrival.brought_texts
  end

  def arrival
    arrival_if_there or raise Work::Impossible, "gone"
  end

  def arrival_if_there
    @arrival ||= Arrival.find_by(work: @work)
  end
end
