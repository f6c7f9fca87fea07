# frozen_string_literal: true

require "json"
require "minitest/autorun"
require "open3"
require_relative "../../lib/gimlet/exchange/paper/qr_code"

# The code on the card, read by the jsQR package as a camera sees it.
class QrCodeTest < Minitest::Test
  READER = <<~JS
    const read = require(process.argv[1] + "/ui/node_modules/jsqr");
    const { side, dark } = JSON.parse(require("fs").readFileSync(0));
    const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
    for (const at of dark) pixels.fill(0, at * 4, at * 4 + 3);
    console.log(read(pixels, side, side)?.data ?? "nothing");
  JS
  SCALE = 4

  # @return [Hash] side in pixels, and the places of the dark ones
  def picture(rows)
    quiet = Gimlet::Exchange::Paper::QrCode::QUIET
    side = (rows.size + (2 * quiet)) * SCALE
    dark = (0...(side * side)).select do |at|
      down, across = (at / side / SCALE) - quiet, (at % side / SCALE) - quiet
      down.between?(0, rows.size - 1) && across.between?(0, rows.size - 1) && rows[down][across]
    end
    { side: side, dark: dark }
  end

  def test_a_camera_reads_cards_and_labels
    links = ["http://127.0.0.1:4480/orders/7", "https://counter.harbour-spares.example/orders/123456789012345"]
    [*links, "ORDER 7", "TOOL HÅ T1/2", "PW-K220"].each do |link|
      seen = JSON.generate(picture(Gimlet::Exchange::Paper::QrCode.modules(link)))
      told, = Open3.capture2("node", "-e", READER, File.expand_path("../..", __dir__), stdin_data: seen)
      assert_equal link, told.strip
    end
  end
end
