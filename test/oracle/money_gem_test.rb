# frozen_string_literal: true

require "minitest/autorun"
require "money"
require_relative "../../lib/gimlet/core/order/total"

# Totals against the money gem, which rounds by itself.
class MoneyGemTest < Minitest::Test
  def setup
    Money.rounding_mode = BigDecimal::ROUND_HALF_UP
    Money.locale_backend = nil
  end

  def test_ten_thousand_orders_agree_to_the_cent
    random = Random.new(Minitest.seed)
    10_000.times do
      lines = Array.new(random.rand(1..8)) { [random.rand(1..12), random.rand(1..99_999)] }
      discount, tax = [format("%.2f", random.rand(0..9999) / 100.0), %w[0 5 7.5 19 21 25.5].sample(random: random)]
      ours = Gimlet::Core::Order::Total.of(lines, discount: discount, tax: tax)
      net = lines.sum(Money.new(0, "EUR")) { |count, cents| Money.new(cents, "EUR") * count }
      off = net * (BigDecimal(discount) / 100)
      taxes = (net - off) * (BigDecimal(tax) / 100)
      assert_equal [net, off, taxes, net - off + taxes].map(&:cents),
                   [ours.net_cents, ours.discount_cents, ours.tax_cents, ours.gross_cents], "#{lines} less #{discount} % and #{tax} %"
    end
  end
end
