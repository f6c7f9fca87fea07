# frozen_string_literal: true

require_relative "../support/http"

# Who may do what: every operation by every role, however its path is spelled.
class AuthorizationTest < Minitest::Test
  include Http

  # bcrypt's least work, so that a table of sign-ins takes no minute.
  def people = @people ||= Gimlet::Store::People.new(database, cost: 4)

  def tokens = Gimlet::Store::Tokens.new(database)
  def staff = Gimlet::Core::Roles::ALL.each { |role| people.upsert("the #{role}", role, "secret #{role}") }

  # By hand from what each role is for: who may ask for what. Everybody else is refused.
  TABLE = {
    %w[health openapi session signIn signOut] => %w[nobody counter bench keeper owner],
    %w[vocabulary identify plan preview catalogue series lookUp unsourced part kit seriesPage seriesTable revisions catalogueFormat measureSeal
       measureFlow chooseValve askMaterial] => %w[counter bench keeper owner],
    %w[customers addCustomer customer changeCustomer mergeCustomer addPump changePump rung calendar dueList orderAgain anotherJob quote openTickets
       openTicket freshTicket ticket addEntry sightings sighting placeOrder takeFindings addPhoto removePhoto] => %w[counter owner],
    %w[orders order sinceOrder earlierOrder] => %w[counter bench keeper owner],
    %w[card strip mat torqueRecord bench noteAtBench photos photo] => %w[counter bench owner],
    %w[liftStop] => %w[counter bench owner],
    %w[stepOrder scanPiece ways face today tools note bagLabel] => %w[counter bench keeper owner],
    %w[prices tax stocked toBuy askSupplier dispatchNote purchases purchase purchaseTable] => %w[counter keeper owner],
    %w[drafts beginDraft draft editDraft draftTable draftPage practise draftEffects publishDraft giveUpDraft undoRevision bringBackRevision
       uploadSeries uploadPrices upload takeUpload giveUpUpload putPrice figures
       figuresTable learning changeStocked moveStock lookAtCount bookCount shelfLabels
       writePurchase sendPurchase receivePurchase supplierDay addTool toolLabels history historyTable] => %w[keeper owner],
    %w[eraseCustomer switchLearning setTax setWays setFace people putPerson leave newToken backup] => %w[owner]
  }.freeze

  def operations
    Gimlet::API::OpenAPI::DOCUMENT["paths"].flat_map do |path, item|
      item.slice("get", "post").map do |verb, row|
        [row["operationId"], verb.upcase, path.gsub(/\{\w+\}/, "1"), row.dig("requestBody", "content")&.keys&.first]
      end
    end
  end

  def test_every_operation_by_every_role
    staff
    assert_equal operations.map(&:first).sort, TABLE.keys.flatten.sort
    ["nobody", *Gimlet::Core::Roles::ALL].each do |role|
      token = tokens.issue("script of #{role}", role) unless role == "nobody"
      operations.each do |id, verb, path, media|
        allowed = TABLE.find { |ids, _| ids.include?(id) }.last.include?(role)
        bearer = { "HTTP_AUTHORIZATION" => token && "Bearer #{token}" }.compact
        custom_request(verb, path, {}, input: "{}", "CONTENT_TYPE" => media || "application/json", **bearer)
        turned_away = [401, 403].include?(last_response.status)
        assert_equal allowed, !turned_away, "#{id} by #{role}: #{last_response.status} #{last_response.body[0, 120]}"
      end
    end
  end

  # A role is a row of rights: whoever has none of what an operation asks for is refused, and the document names those who have it.
  def test_the_document_says_who_has_each_right
    assert_equal Gimlet::Core::Roles::RIGHTS.sort, Gimlet::Core::Roles::TABLE.values.flat_map(&:rights).uniq.sort
    Gimlet::API::OpenAPI::DOCUMENT["paths"].each_value do |item|
      item.slice("get", "post").each_value do |row|
        next assert_equal("all", row["x-roles"]) if row["x-right"] == "none"

        assert_equal Gimlet::Core::Roles::ALL.select { |role| Gimlet::Core::Roles.may?(role, row["x-right"]) }, row["x-roles"], row["operationId"]
      end
    end
    assert_equal(["counter or keeper", "the owner", "counter"], %w[goods own sell].map { |right| Gimlet::Core::Roles.named(right) })
    assert_equal %w[keeper owner], Gimlet::Core::Roles::TRUSTED
    assert_raises(KeyError) { Gimlet::Core::Roles.with("fly") }
  end

  # Percent signs, cases, slashes, dots and more: the document's own spelling is the only one.
  RESPELLINGS = [
    ->(path, random) { path.gsub(%r{[^/]}) { |letter| random.rand < 0.2 ? format("%%%02X", letter.ord) : letter } },
    ->(path, random) { path.sub(/[a-z]/) { |letter| format("%%%02x", letter.ord) }.sub("%", random.rand < 0.5 ? "%" : "%25") },
    ->(path, random) { path.chars.map { |letter| random.rand < 0.3 ? letter.swapcase : letter }.join },
    ->(path, random) { path.gsub("/") { random.rand < 0.5 ? "//" : "/" } },
    ->(path, random) { path.gsub("/") { ["/", "%2F", "%2f", "/./", "/x/../", "\\", "/%2e/"].sample(random: random) } },
    ->(path, random) { path + ["/", "//", ".", ";", ";a=b", "%20", "%00", "?", "#", "/.", "%2e", ".json", "\n", "\t", "~"].sample(random: random) },
    ->(path, random) { ["/x/..", "/.", "/api/..", "http://localhost", "/%2e%2e", " ", "\u00e9"].sample(random: random) + path },
    ->(path, random) { path.tr("aeiou", random.rand < 0.5 ? "ａｅｉｏｕ" : "аеіоυ") },
    ->(path, random) { path.sub("/api", ["/API", "/Api", "/%61pi", "/ap%69", "/api%2F..%2Fapi", "/api/"].sample(random: random)) }
  ].freeze
  OVERRIDES = [{}, {}, { "HTTP_X_HTTP_METHOD_OVERRIDE" => "GET" }, { "HTTP_X_ORIGINAL_URL" => "/api/people" }, { "SCRIPT_NAME" => "/api" },
               { "HTTP_X_REWRITE_URL" => "/api/history.csv" }, { "HTTP_X_FORWARDED_PREFIX" => "/api" }].freeze

  # Held against the roles: whatever is answered with data is answered to a role that may have it, and a respelled path to nobody at all.
  def test_no_other_spelling_lets_anyone_in
    staff
    random = Random.new(Minitest.seed)
    roles = Gimlet::Core::Roles::ALL.to_h { |role| [role, tokens.issue("script of #{role}", role)] }
    2000.times do
      _, verb, path, media = operations.sample(random: random)
      other = RESPELLINGS.sample(random: random).call(path, random)
      next if other == path

      role, token = [["nobody", nil], *roles].sample(random: random)
      env = { "HTTP_AUTHORIZATION" => token && "Bearer #{token}", "CONTENT_TYPE" => media, **OVERRIDES.sample(random: random) }.compact
      status, headers, body = app.call(Rack::MockRequest.env_for("/", method: verb, input: "{}").merge("PATH_INFO" => other.b, **env))
      page = headers["content-type"].to_s.start_with?("text/html")
      told = body.respond_to?(:join) ? body.join : body.enum_for(:each).to_a.join
      assert page || status >= 400, "#{verb} #{other.inspect} by #{role}: #{status} #{told[0, 100]}"
      assert_includes told, "<!doctype html>" if page
      refute_equal 500, status, "#{verb} #{other.inspect}"
    end
  end

  def test_a_route_without_a_role_cannot_be
    row = { "operationId" => "everything", "responses" => {} }
    assert_match(/everything has no x-right/, assert_raises(KeyError) { Gimlet::API::Operations.operation("GET", row, []) }.message)
    assert_match(/no operation unheard_of/, assert_raises(KeyError) { Gimlet::API::App.serve("unheard_of") { "" } }.message)
    bare = Class.new(Sinatra::Base) { register Gimlet::API::Serving }
    assert_match(/nothing serves health, openapi/, assert_raises(KeyError) { bare.all_served! }.message)
  end

  # A served application asks nothing of a path that no operation has.
  def test_values_of_a_path_are_read_once
    places = { "/api/orders/7" => [7], "/api/orders/0007" => [7], "/api/catalogue/pellwick-tk4" => ["pellwick-tk4"],
               "/api/catalogue/a%2Fb" => ["a/b"], "/api/catalogue/%C3%A9" => ["é"], "/api/orders/7/versions/2" => [7, 2],
               "/api/catalogue/a+b" => ["a+b"] }
    places.each { |path, values| assert_equal values, Gimlet::API::Operations.at(path)["GET"].values, path }
    %w[/api/orders/x /api/orders/7/ /api/orders/%37 /api/orders/1234567890123456 /api/catalogue/%ff /api/catalogue/%00 /api/ordersx/7
       /api/orders/7/cardXpdf /api/history%2Ecsv /api//people /API/people].each do |path|
      assert_nil Gimlet::API::Operations.at(path), path
    end
  end
end
