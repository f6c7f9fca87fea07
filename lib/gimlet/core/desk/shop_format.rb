# frozen_string_literal: true

require "date"
require_relative "../0_quantities/money"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  module Desk
    # How this shop writes money and dates, what it prints on, and when it is open. Sums themselves are in hundredths of whatever it is paid in.
    #
    #   ShopFormat.of("currency" => "GBP").money(1250)                  # => "£12.50"
    #   ShopFormat.of("dates" => "month_first").date(Date.new(2026, 3, 2)) # => "March 2, 2026"
    ShopFormat = Value.of(:currency, :dates, :paper, :labels, :open_days) do
      # @param cents [Integer]
      # @return [String]
      def money(cents) = Money.say(cents, currency)

      # @param day [Date, Time]
      # @return [String]
      def date(day) = day.strftime(self.class::DATES.fetch(dates))

      # @param day [Date] within the year to come
      # @return [String] "Thursday 10 December"
      def weekday(day) = day.strftime(self.class::WEEKDAYS.fetch(dates))

      # @param day [Date]
      # @return [Boolean]
      def open?(day) = open_days.include?(self.class::DAYS[day.wday])
    end

    # What may be chosen.
    class ShopFormat
      DATES = { "day_first" => "%-d %B %Y", "month_first" => "%B %-d, %Y", "iso" => "%Y-%m-%d" }.freeze
      WEEKDAYS = { "day_first" => "%A %-d %B", "month_first" => "%A, %B %-d", "iso" => "%A %Y-%m-%d" }.freeze
      PAPERS = %w[A4 LETTER].freeze
      DAYS = %w[sun mon tue wed thu fri sat].freeze
      CHOICES = { "currency" => Money::SIGNS.keys, "dates" => DATES.keys, "paper" => PAPERS, "labels" => %w[sheet roll] }.freeze
      USUAL = { "currency" => "EUR", "dates" => "day_first", "paper" => "A4", "labels" => "sheet", "open_days" => %w[mon tue wed thu fri] }.freeze

      # @param told [Hash{String=>String}] what is not told is usual
      # @return [ShopFormat]
      # @raise [InputError] names the field
      def self.of(told)
        new(**USUAL.merge(told).slice(*USUAL.keys).to_h do |field, value|
          field == "open_days" ? days(value) : CHOICES.fetch(field).include?(value) || unknown(field, value)
          [field.to_sym, value]
        end)
      end

      def self.days(told)
        (told.any? && (told - DAYS).empty?) || InputError.reject("open_days", "unknown_choice",
                                                                 "Say at least one day on which the shop is open, of #{DAYS.join(', ')}.")
      end

      def self.unknown(field, value)
        InputError.reject(field, "unknown_choice", "“#{value}” is no #{field} here: choose #{CHOICES.fetch(field).join(', ')}.")
      end
      private_class_method :days, :unknown
    end
  end
end
