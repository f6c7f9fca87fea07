# frozen_string_literal: true

require "rack/mime"
require "rack/utils"
require "zlib"

module Gimlet
  module API
    # The built front end, read once: its files by their paths, and the one page that serves every address of the browser's own.
    #
    #   BrowserFiles.new.call(env, "/orders") # => the page
    class BrowserFiles
      FOLDER = File.expand_path("../../../ui/dist", __dir__)
      PAGE = "/index.html"
      # Addresses that the page has something to show at (`ui/src/App.tsx`).
      ADDRESSES = %r{\A/(?:orders|orders/\d+(?:/bench)?|(?:tickets|sightings)/\d+|(?:measure|desk)(?:/[a-z]+(?:/\d+)?)?|
                            catalogue(?:/write|/drafts/\d+|/(?:parts|kits|series|write)/[^/]+|/beside/[^/]+/[^/]+)?)?\z}x
      # Nothing is loaded from anywhere else; styles are written into the page by the component library.
      POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; object-src 'none'; frame-ancestors 'none'; " \
               "base-uri 'none'"
      # The build writes a digest of the contents into these names.
      NAMED_BY_CONTENT = %r{\A/assets/.+-[\w-]{8}\.\w+\z}
      FOREVER = "public, max-age=31536000, immutable"
      PACKED = %r{\A(?:text|application|image/svg)}
      File_ = Struct.new(:plain, :packed, :headers)
      private_constant :File_

      # @param folder [String] of the build
      def initialize(folder = FOLDER)
        paths = Dir.glob("**/*", base: folder).select { |name| File.file?(File.join(folder, name)) }
        @files = paths.to_h { |name| ["/#{name}", file("/#{name}", File.binread(File.join(folder, name)))] }
        @page = @files[PAGE] || file(PAGE, "The front end is not built: run bin/setup.")
      end

      # @param path [String] as it came
      # @return [Array, nil] an answer of Rack; nil for a file that there is not
      def call(env, path)
        return answer(env, 200, @files[path]) if @files.key?(path)
        return answer(env, 200, @page) if path.match?(ADDRESSES)

        # An address that somebody typed is answered by the page, which says that there is nothing.
        answer(env, 404, @page) unless File.basename(path).include?(".")
      end

      private

      def file(path, plain)
        type = Rack::Mime.mime_type(File.extname(path))
        headers = { "content-type" => path.end_with?(".html") ? "#{type}; charset=utf-8" : type, "vary" => "accept-encoding",
                    "cache-control" => path.match?(NAMED_BY_CONTENT) ? FOREVER : "no-cache" }
        headers["content-security-policy"] = POLICY if path.end_with?(".html")
        File_.new(plain, type.match?(PACKED) ? Zlib.gzip(plain, level: 9) : nil, headers)
      end

      def answer(env, status, file)
        packed = file.packed && accepts_gzip?(env)
        body = packed ? file.packed : file.plain
        headers = { **file.headers, "content-length" => body.bytesize.to_s, **(packed ? { "content-encoding" => "gzip" } : {}) }
        [status, headers, env["REQUEST_METHOD"] == "HEAD" ? [] : [body]]
      end

      def accepts_gzip?(env)
        wanted = Rack::Utils.q_values(env["HTTP_ACCEPT_ENCODING"].to_s).to_h
        wanted.fetch("gzip", 0).positive?
      end
    end
  end
end
