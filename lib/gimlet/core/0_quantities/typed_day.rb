# frozen_string_literal: true

require "date"
require_relative "../input_error"

module Gimlet::Core
  # A day, as people type it. What can be two days is asked, never guessed.
  #
  #   TypedDay.ahead("9 dec", Date.new(2026, 12, 2), field: "until")  # => 2026-12-09
  #   TypedDay.ahead("friday", Date.new(2026, 12, 2), field: "until") # => 2026-12-04
  #   TypedDay.ahead("9/12", ...)  # InputError: can be 9 December or 12 September
  module TypedDay
    MONTHS = Date::MONTHNAMES.compact.map(&:downcase).freeze
    WEEKDAYS = Date::DAYNAMES.map(&:downcase).freeze
    YEAR = %r{(?:[\s./,]+(?<year>\d{4}))?}
    # Letters of a name that is cut short.
    SHORTEST = 3
    NAMED = /[a-z]{#{SHORTEST},9}/
    FORMS = [
      /\A(?<year>\d{4})-(?<month>\d\d?)-(?<day>\d\d?)\z/,
      /\A(?<day>\d\d?)(?:st|nd|rd|th|\.)?\s*(?<name>#{NAMED})\.?#{YEAR}\z/,
      /\A(?<name>#{NAMED})\.?\s*(?<day>\d\d?)(?:st|nd|rd|th)?#{YEAR}\z/,
      /\A(?<day>\d\d?)\.\s?(?<month>\d\d?)\.?#{YEAR}\z/,
      %r{\A(?<first>\d\d?)/(?<second>\d\d?)#{YEAR}\z}
    ].freeze
    AHEAD = /\A(?:in )?(?<count>\d{1,3}|an?) (?<unit>day|week)s?\z/
    # Has every day that any year has.
    LEAP = 2028
    UNITS = { "day" => 1, "week" => 7 }.freeze

    module_function

    # @param text [String]
    # @param today [Date] without a year it is the next such day, and a weekday the next one after today
    # @param field [String] that it was typed into
    # @return [Date]
    # @raise [InputError] where it is none, or can be two
    def of(text, today, field:)
      typed = text.to_s.strip.downcase
      near(typed, today) || written(typed, today, field) ||
        InputError.reject(field, "bad_day", "“#{text}” is no day: a day is written as 9 December, or #{today.iso8601}.")
    end

    # @return [Date] today or later
    # @raise [InputError] also where it is past
    def ahead(text, today, field:)
      day = of(text, today, field: field)
      day >= today ? day : InputError.reject(field, "past", "#{text} is past: name a day to come.")
    end

    def near(typed, today)
      return today + %w[today tomorrow].index(typed) if %w[today tomorrow].include?(typed)
      return today + (count(Regexp.last_match[:count]) * UNITS.fetch(Regexp.last_match[:unit])) if AHEAD.match(typed)

      weekday = typed.size >= SHORTEST && WEEKDAYS.index { |name| name.start_with?(typed) }
      weekday && (today + ((weekday - today.wday - 1) % 7) + 1)
    end

    def count(word) = word.start_with?("a") ? 1 : word.to_i

    def written(typed, today, field)
      found = FORMS.filter_map { |form| form.match(typed) }.first or return
      named = found.named_captures
      month, day = named["first"] ? slashed(named, field) : [named["month"]&.to_i || month(named["name"]), named["day"].to_i]
      month && dated(named["year"]&.to_i, month, day, today)
    end

    def month(word) = MONTHS.index { |name| name.start_with?(word) }&.succ

    # Some write the day first, some the month.
    def slashed(named, field)
      first, second = named.values_at("first", "second").map(&:to_i)
      both = [[second, first], [first, second]].uniq.select { |month, day| Date.valid_date?(LEAP, month, day) && month.positive? && day.positive? }
      return both.first if both.size < 2

      said = both.map { |month, day| "#{day} #{Date::MONTHNAMES[month]}" }.join(" or ")
      InputError.reject(field, "two_days", "“#{named['first']}/#{named['second']}” can be #{said}: write the month as a word.")
    end

    def dated(year, month, day, today)
      return Date.new(year, month, day) if year && Date.valid_date?(year, month, day)
      return if year

      [today.year, today.year + 1].filter_map { |one| Date.new(one, month, day) if Date.valid_date?(one, month, day) }.find { |one| one >= today }
    end

    private_class_method :near, :count, :written, :month, :slashed, :dated
  end
end
