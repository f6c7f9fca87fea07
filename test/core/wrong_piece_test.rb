# frozen_string_literal: true

require_relative "../support/core"

# A piece in the hand that is none of the order's: it is named, with what is wrong about it.
class WrongPieceTest < Minitest::Test
  include DemoCatalogue

  Order = Gimlet::Core::Order

  def reason(number, *ordered)
    goods = ordered.map { |one| Order::Good.new(number: one, name: one, wanted: 1, along: 0, price_cents: 1, pack: 1, **Order::Goods::NOTHING) }
    Order::WrongPiece.new(snapshot, goods).reason(number)
  end

  def test_another_size
    assert_match(/\APW-4218 is the .* 18.*: the order needs PW-4220, .* 20.*\(inside 18 mm, not 20 mm/, reason("PW-4218", "PW-4220"))
    assert_match(/the order needs PW-4220, .*in the kit PW-K220/, reason("PW-4218", "PW-K220"))
  end

  def test_another_kit
    assert_match(/PW-K218 is the .*: the order needs PW-K220.*PW-K218 for plunger 18; PW-K220 for plunger 20/, reason("PW-K218", "PW-K220"))
    assert_match(/serials before 31000/, reason("PW-K42A", "PW-K42B"))
  end

  def test_inside_and_around
    assert_match(/is a piece of the kit PW-K41, which goes out whole/, reason("PW-4112", "PW-K41"))
    assert_match(/is a whole kit; the order needs PW-4112/, reason("PW-K41", "PW-4112"))
  end

  def test_strangers
    assert_match(/is for Pellwick TK4; this order is for /, reason("PW-4112", snapshot.series.find do |series|
      series.id != "pellwick-tk4"
    end.kits.first.number))
    assert_match(/for the same pumps, but not in this order/, reason("PW-4112", "PW-K220"))
    assert_match(/Nothing in the catalogue has the number “XX-1”/, reason("XX-1", "PW-K220"))
  end

  # 200 orders of one kit, each with one wrong piece of the catalogue: every one is named, and never as what it is not.
  def test_two_hundred_wrong_pieces
    random = Random.new(Minitest.seed)
    numbers = snapshot.parts.map(&:number) + snapshot.kits.map(&:number)
    200.times do
      wanted = snapshot.kits.sample(random: random).number
      wrong = (numbers - [wanted]).sample(random: random)
      said = reason(wrong, wanted)
      assert said.start_with?(wrong), said
      own, other = [wanted, wrong].map { |number| snapshot.series.find { |series| (series.parts + series.kits).any? { |one| one.number == number } } }
      assert_includes said, other.name, said if own != other && said.include?("this order is for")
      refute_match(/this order is for/, said) if own == other
      assert_match(/a piece of the kit/, said) if snapshot.kit(wanted).contents.key?(wrong) && !snapshot.serving(wanted).include?(wrong)
    end
  end
end
