# frozen_string_literal: true

require "minitest/autorun"
require_relative "../../lib/gimlet/exchange/jpeg"

# What a camera writes beside a picture is taken out, whatever it is and wherever it stands; the picture itself is left byte for byte.
# Markers and segments as in ITU-T T.81, annex B (from memory).
class JpegTest < Minitest::Test
  Jpeg = Gimlet::Exchange::Jpeg

  START = "\xFF\xD8".b
  APP0 = 0xE0
  ADOBE = 0xEE
  TABLES = 0xDB
  FRAME = 0xC0
  HUFFMAN = 0xC4
  PRIVATE = [*0xE1..0xED, 0xEF, 0xFE].freeze

  def setup
    @seed = Integer(ENV.fetch("SEED", rand(1_000_000)))
    @random = Random.new(@seed)
  end

  def segment(marker, contents) = [0xFF, marker, contents.bytesize + 2].pack("CCn") + contents.b
  def noise(most = 400) = @random.bytes(@random.rand(most))
  # What is coded of the picture may hold anything, also what looks like a marker.
  def scan = "\xFF\xDA".b + [2].pack("n") + noise(2000) + "\xFF\xE1\x00\x04GP".b + noise + "\xFF\xD9".b

  def test_whatever_was_written_beside_it_is_gone
    200.times do
      kept = [segment(APP0, "JFIF\0#{noise(9)}"), segment(ADOBE, "Adobe"), segment(TABLES, noise), segment(FRAME, noise), segment(HUFFMAN, noise)]
      told = Array.new(@random.rand(6)) { segment(PRIVATE.sample(random: @random), noise) }
      mixed = told.reduce(kept) { |all, one| all.dup.insert(@random.rand(all.size + 1), one) }
      coded = scan
      assert_equal START + kept.join + coded, Jpeg.bare(START + mixed.join + coded), "SEED=#{@seed}"
    end
  end

  def test_what_is_bare_stays_as_it_is
    picture = START + segment(APP0, "JFIF\0") + segment(TABLES, noise) + scan
    assert_equal picture, Jpeg.bare(picture)
    assert_equal picture, Jpeg.bare(Jpeg.bare(picture))
  end

  # A file that ends within a segment, or claims a length that it has not, is refused with a sentence, never with a fault of the code.
  def test_whatever_is_broken_is_refused
    whole = START + segment(APP0, "JFIF\0") + segment(0xE1, "Exif\0\0GPS") + segment(TABLES, noise(60)) + scan
    300.times do
      broken = whole.byteslice(0, @random.rand(whole.index("\xFF\xDA".b)))
      error = assert_raises(Gimlet::Core::InputError, "SEED=#{@seed}") { Jpeg.bare(broken) }
      assert_equal %w[photo no_jpeg], [error.field, error.code]
    end
  end

  def test_other_kinds_of_files_are_refused
    ["", "GIF89a", "\x89PNG\r\n".b, "%PDF-1.7", "RIFF....WEBP", "\xFF\xD8".b, "\xFF\xD8\x00\x00\x00\x00".b].each do |bytes|
      assert_raises(Gimlet::Core::InputError, bytes.inspect) { Jpeg.bare(bytes) }
    end
  end

  # No word of place, time or owner is left anywhere before the picture.
  def test_nothing_personal_is_left
    personal = ["GPSLatitude", "2026:03:02 09:31:00", "Owner: somebody", "serial of the camera"]
    file = START + personal.map { |text| segment(PRIVATE.sample(random: @random), text) }.join + segment(TABLES, "t") + "\xFF\xDA\x00\x02".b + "p".b
    bare = Jpeg.bare(file)
    personal.each { |text| refute_includes bare, text.b }
  end
end
