# What is known of a text only once all are read.
module Arrival::Settling
  # What is known of a text only once all are read: what most titles share at one end, and which links lead nowhere.
  def settle
    titles = files.texts.where(problem: nil).pluck(:path, :title).to_h
    Zuhause::Exchange::CommonPart.without(heads.slice(*titles.keys)).each { |path, title| files.where(path: path).update_all(title: title) if title && heads[path] == titles[path] }
    tell_apart
    links = ArrivedLinks.new(self)
    files.texts.where(problem: nil).find_each do |file|
      lost = links.follow(file)[1].size
      file.update_columns(losses: file.reports.size + lost) if lost.positive?
    end
  end

  private

  # A heading that several begin with is the title of none, where they call themselves otherwise.
  def tell_apart
    own = Zuhause::Exchange::CommonPart.without(heads.compact)
    files.texts.where(problem: nil, path: own.keys).pluck(:title, :path).group_by(&:first).each_value do |alike|
      paths = alike.map(&:last)
      next if paths.one? || own.values_at(*paths).uniq.size < paths.size

      files.texts.where(path: paths).find_each { |file| file.retitle(own[file.path]) }
    end
  end

  # @return [Hash{String=>String|nil}] what texts that say something call themselves at their head, by their paths
  def heads
    @heads ||= files.texts.where.not(survey: nil).where(leads_on: nil).find_each.to_h { |file| [ file.path, file.survey_told["title"] ] }
  end
end
