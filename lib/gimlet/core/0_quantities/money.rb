# frozen_string_literal: true

require_relative "../input_error"

module Gimlet::Core
  # Sums of money, in whole hundredths of whatever the shop is paid in: read as hands type them, said, and rounded, here alone.
  #
  #   Money.cents("£12.50", field: "deposit") # => 1250
  #   Money.plain(1250)                       # => "12.50"
  #   Money.say(1250, "GBP")                  # => "£12.50"
  module Money
    # ISO 4217 codes, and what is put before a sum.
    SIGNS = { "EUR" => "€", "GBP" => "£", "USD" => "$", "CAD" => "CA$", "AUD" => "A$", "NZD" => "NZ$", "CHF" => "CHF ",
              "DKK" => "DKK ", "NOK" => "NOK ", "SEK" => "SEK ", "PLN" => "PLN ", "CZK" => "CZK " }.freeze
    # What people write beside a figure: the signs, the codes, what is said for them, and blanks.
    BESIDE = /#{Regexp.union(SIGNS.values.map(&:strip).sort_by { |sign| -sign.size })}|#{SIGNS.keys.join('|')}|\bkr\b\.?|zł|Kč|[\s\u00a0\u202f]/i
    MOST_CENTS = 9_999_999

    module_function

    # @param text [String, Numeric] 12.50, 12,50, 1.234,50, 1,234.50, € 8
    # @return [Rational, nil] exact; nil for what is no figure, or can be read in two ways
    def read(text)
      return (text.is_a?(Float) ? text.round(4) : text).to_r if text.is_a?(Numeric)

      figure(text.to_s.gsub(BESIDE, "").tr("−", "-"))
    end

    def figure(text)
      case text
      when /\A-?\d+\z/, /\A-?\d*\.\d{1,2}\z/, /\A-?\d+\.\d{4,}\z/ then Rational(text.sub(/\A(-?)\./, '\10.'))
      when /\A-?\d*,\d{1,2}\z/, /\A-?\d+,\d{4,}\z/ then figure(text.tr(",", "."))
      when /\A-?\d{1,3}(\.\d{3})+,\d{1,2}\z/ then figure(text.delete(".").tr(",", "."))
      when /\A-?\d{1,3}(,\d{3})+\.\d{1,2}\z/ then figure(text.delete(","))
      end
    end

    # @param text [String] as it is typed at the desk
    # @param field [String] named where it cannot be read
    # @return [Integer]
    # @raise [InputError]
    def cents(text, field:)
      sum = read(text)
      whole = sum && (sum * 100)
      (whole && whole.denominator == 1 && whole.between?(0, MOST_CENTS)) ||
        InputError.reject(field, "no_amount", "“#{text.to_s.strip[0, 20]}” is no amount: type it as 25 or 25.50, nothing as 0.")
      whole.to_i
    end

    # @param cents [Integer]
    # @param percent [String] as "7.5"
    # @return [Integer] that share of it, half a cent up
    def share(cents, percent) = (cents * Rational(percent) / 100).round(half: :up)

    # @param cents [Integer]
    # @return [String] without a sign of what it is in, for tables and comparisons
    def plain(cents) = format("%s%d.%02d", cents.negative? ? "-" : "", *cents.abs.divmod(100))

    # @param currency [String] of SIGNS
    # @return [String]
    def say(cents, currency) = "#{'−' if cents.negative?}#{SIGNS.fetch(currency)}#{plain(cents.abs)}"
  end
end
