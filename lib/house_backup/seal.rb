require "open3"

module HouseBackup
  # One file in which a backup lies that only whoever has the key can open: a tar archive encrypted by GnuPG (RFC 4880,
  # symmetric, AES-256 with its integrity protection).
  class Seal
    ENDING = ".tar.gpg"

    # @param key [Pathname] a file whose first line is the key
    def initialize(key)
      @key = Pathname(key)
      raise Impossible, "there is no key in #{key}" unless @key.file? && @key.each_line.first.to_s.strip.present?
    end

    # @param folder [Pathname]
    # @param file [Pathname]
    def close(folder, file)
      run [ "tar", "--create", "--directory", folder.to_s, "." ], gpg("--symmetric", "--cipher-algo", "AES256", "--output", file.to_s)
    end

    # @param file [Pathname]
    # @param folder [Pathname] empty
    # @raise [Broken] if the key does not fit or the file is damaged
    def open(file, folder)
      run gpg("--decrypt", file.to_s), [ "tar", "--extract", "--no-same-owner", "--directory", folder.to_s ]
    end

    private

    def gpg(*what)
      [ "gpg", "--batch", "--yes", "--quiet", "--no-options", "--homedir", home, "--pinentry-mode", "loopback", "--no-symkey-cache", "--passphrase-file", @key.to_s, *what ]
    end

    # A home of its own, without anybody's keys.
    def home
      @home ||= Dir.mktmpdir.tap { |folder| at_exit { FileUtils.rm_rf(folder) } }
    end

    def run(*commands)
      Tempfile.create do |said|
        statuses = Open3.pipeline(*commands, err: said)
        raise Broken, "it is damaged, or the key is another (#{File.read(said.path).lines.first.to_s.strip})" unless statuses.all?(&:success?)
      end
    end
  end
end
