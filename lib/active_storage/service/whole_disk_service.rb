require "active_storage/service/disk_service"

module ActiveStorage
  # Files on the disk that are whole or not there: bytes are written beside their place, flushed and held against their sum
  # before they take it, so that neither a full disk nor an end in the middle leaves half of them.
  class Service::WholeDiskService < Service::DiskService
    UNFINISHED = ".part".freeze

    def upload(key, io, checksum: nil, **)
      instrument :upload, key: key, checksum: checksum do
        path = make_path_for(key)
        part = "#{path}#{UNFINISHED}#{SecureRandom.hex(4)}"
        write(part, io)
        raise ActiveStorage::IntegrityError if checksum && md5_of(part) != checksum

        File.rename(part, path)
        flush(File.dirname(path))
      ensure
        FileUtils.rm_f(part) if part
      end
    end

    # @param checksum [String] in Base64
    # @return [Boolean] whether the bytes are there, and are those
    def whole?(key, checksum)
      File.file?(path_for(key)) && md5_of(path_for(key)) == checksum
    end

    # @param before [Time]
    # @return [Enumerator::Lazy<String>] paths of files that were written before, finished or not
    def old_paths(before)
      Dir.glob(File.join(root, "**/*")).lazy.select { |path| File.file?(path) && File.mtime(path) < before }
    end

    private

    def write(path, io)
      File.open(path, "wb") do |file|
        IO.copy_stream(io, file)
        file.fsync
      end
    end

    def md5_of(path)
      OpenSSL::Digest::MD5.file(path).base64digest
    end

    # The name of a file is part of its folder.
    def flush(folder)
      File.open(folder, &:fsync)
    end
  end
end
