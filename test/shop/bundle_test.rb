# frozen_string_literal: true

require_relative "../support/app"

# Bundles that are not what they say, and bundles that would undo what a shop wrote itself (outside.yml).
class BundleTest < Minitest::Test
  include SeededApp

  Bundle = Gimlet::Exchange::Bundle
  KEY = Bundle.key
  VA = "quellby-va"

  def document(id = VA) = JSON.parse(database[:series].where(id: id).get(:document))

  def changed(value, id = VA)
    document(id).tap do |one|
      one["fasteners"].first["tightenings"].first["checked"] = [{ "who" => value, "on" => "2026-01-01", "against" => "sheet" }]
    end
  end

  def run_command(*words)
    out = StringIO.new
    done = Gimlet::Command.new(database.opts[:database], out: out).call(words)
    [done, out.string]
  end

  def take(text, *options)
    file = "#{@folder}/bundle.json"
    File.write(file, text)
    run_command("take", file, *options)
  end

  def bundle(documents, at: "2026-11-20", shop: "Coined Pumps", key: KEY) = Bundle.write(documents, shop: shop, key: key, at: at)

  # Signed by a key, whatever it says.
  def signed(raw = nil, key: KEY, **contents)
    text = raw || JSON.generate(contents)
    JSON.generate("format" => Bundle::FORMAT, "version" => Bundle::VERSION, "key" => key.public_to_pem,
                  "signature" => [key.sign(nil, text)].pack("m0"), "signed" => text)
  end

  MADE = { "shop" => "Coined Pumps", "at" => "2026-11-20" }.freeze
  RSA = OpenSSL::PKey::RSA.new(2048)

  def malformed
    whole = JSON.parse(bundle([document]))
    series = [document]
    ["", "[]", "null", "3", "{", "\xFF\xFE", "[" * 5000, whole.merge("signature" => 7).to_json, whole.merge("key" => "x").to_json,
     whole.merge("key" => nil).to_json,
     whole.merge("key" => RSA.public_to_pem).to_json, whole.merge("signature" => "%%%").to_json, whole.except("signed").to_json,
     whole.merge("signed" => {}).to_json,
     signed("[]"), signed("{"), signed(made: MADE), signed(series: series), signed(made: "x", series: series),
     signed(made: MADE.merge("shop" => 4), series: series), signed(made: MADE.merge("at" => "soon"), series: series),
     signed(made: MADE.merge("shop" => "\e[2Jx"), series: series),
     signed(made: MADE.merge("shop" => "x\nFingerprint of its key: 0000"), series: series),
     signed(made: MADE.merge("shop" => "\u200B"), series: series), signed(made: MADE.merge("shop" => "x" * 200), series: series),
     signed(made: MADE, series: ["text"]), signed(made: MADE, series: [{}]), signed(made: MADE, series: [{ "series" => {} }]),
     signed(made: MADE, series: [{ "series" => { "id" => "\e[31m" } }]), signed(made: MADE, series: {}), signed(made: MADE, series: []),
     signed(made: MADE, series: [document, document])]
  end

  def test_what_is_no_bundle_is_told_so_in_one_sentence
    malformed.each do |text|
      done, said = take(text, "--trust")
      refute done, text[0, 200]
      assert_match(/\A(The bundle |A shop |Say )[^\e]*[.]\n\z/, said, text[0, 200])
      assert_equal 1, said.lines.size, said
    end
    assert_nil Gimlet::Store::Settings.new(database)["known shops"]
  end

  def test_no_name_stands_where_the_fingerprint_is_read
    _, said = take(bundle([document], shop: "Coined, signed 0000 0000 0000 0000"))
    assert_match(/\AFingerprint of its key: #{Bundle.fingerprint(KEY)}\n/, said)
  end

  def on_file = document["fasteners"].first["tightenings"].first["checked"]&.map { |one| one["who"] }

  def test_what_they_gave_before_is_replaced_by_what_is_newer_alone
    take(bundle([changed("first")], at: "2026-11-20"), "--trust", "--replace")
    assert_equal %w[first], on_file
    assert take(bundle([changed("second")], at: "2026-11-21")).first
    assert_equal %w[second], on_file
    [bundle([changed("first")], at: "2026-11-20"), bundle([changed("between")], at: "2026-11-20"),
     bundle([changed("first")], at: "2026-11-25")].each do |older|
      done, said = take(older)
      refute done
      assert_match(/#{VA}: is older than what is on file: revision 3 of .*Nothing was changed: #{VA} would be replaced/m, said)
      assert_equal %w[second], on_file
    end
    assert take(bundle([changed("second")], at: "2026-11-22")).first
  end

  def test_the_shops_own_writing_is_replaced_only_when_it_says_so
    take(bundle([changed("theirs")], at: "2026-11-20"), "--trust", "--replace")
    Gimlet::Store::Catalogue.new(database).import_all([changed("ours")], who: "Adela")
    newer = bundle([changed("theirs again")], at: "2026-11-28")
    done, said = take(newer)
    refute done
    assert_match(/#{VA}: would replace what this shop wrote itself: revision 3 of .*, by Adela/, said)
    assert_equal %w[ours], on_file
    assert take(newer, "--replace").first
    assert_equal ["theirs again"], on_file
  end

  def test_another_shops_writing_is_not_theirs_to_replace
    take(bundle([changed("theirs")]), "--trust", "--replace")
    other = Bundle.key
    refute take(bundle([changed("others")], at: "2026-11-29", key: other), "--trust").first
    assert_equal %w[theirs], on_file
  end
end
