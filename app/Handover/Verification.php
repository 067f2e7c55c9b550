<?php

declare(strict_types=1);

namespace App\Handover;

use ZipArchive;

/** Whether a pack is what was handed over: every file, nothing more and nothing less, and every signature. */
final readonly class Verification
{
    /**
     * @param  list<string>  $problems
     * @param  list<string>  $signed  "name, role, time" of signatures that hold
     */
    private function __construct(
        public array $problems,
        public array $signed,
        public string $digest,
        public string $key,
    ) {
    }

    public function holds(): bool
    {
        return $this->problems === [];
    }

    /** Somebody has put a name under it. */
    public function isSigned(): bool
    {
        return $this->signed !== [];
    }

    /**
     * @param  string  $path  of a zip or a folder
     * @param  ?string  $key  public key to check against, base64; null: this application's own
     */
    public static function of(string $path, ?string $key = null): self
    {
        $files = is_dir($path) ? self::folder($path) : self::zip($path);
        if ($files === null) {
            return new self(
                [sprintf('%s is neither a pack as a zip nor a folder with one.', basename($path))],
                [],
                '',
                '',
            );
        }
        $list = $files[Sums::FILE] ?? null;
        $sums = $list === null ? null : Sums::read($list);
        if ($list === null || $sums === null) {
            return new self(
                [$list === null ? 'SHA256SUMS is missing.' : 'SHA256SUMS is not a list of sums.'],
                [],
                '',
                '',
            );
        }
        $problems = [];
        foreach ($sums as $name => $sum) {
            if (! isset($files[$name])) {
                $problems[] = sprintf('%s is missing.', $name);
            } elseif (hash('sha256', $files[$name]) !== $sum) {
                $problems[] = sprintf('%s is not what was handed over.', $name);
            }
        }
        foreach (array_diff(array_keys($files), array_keys($sums), [Sums::FILE, Sums::SIGNATURES]) as $name) {
            $problems[] = sprintf('%s does not belong to the pack.', $name);
        }

        return self::signatures($files[Sums::SIGNATURES] ?? null, hash('sha256', $list), $key, $problems);
    }

    /** @param  list<string>  $problems */
    private static function signatures(?string $json, string $digest, ?string $given, array $problems): self
    {
        $data = $json === null ? null : json_decode($json, true);
        $said = is_array($data) && is_string($data['key'] ?? null) ? $data['key'] : '';
        // A key that somebody gives; else those that this application signs with or has signed with.
        $known = $given === null ? array_values(SigningKey::ring()) : [$given];
        $key = in_array($said, $known, true) ? $said : $known[0] ?? '';
        if (! is_array($data) || ! is_array($data['signatures'] ?? null)) {
            return new self(
                [...$problems, 'SIGNATURES.json is missing, or is not what Sartal wrote.'],
                [],
                $digest,
                $key,
            );
        }
        if (($data['whole'] ?? null) !== $digest) {
            $problems[] = 'SHA256SUMS is not the list that was signed.';
        }
        if ($said !== $key) {
            $problems[] = 'It is signed with another key than the one it is checked against.';
        }
        $signed = [];
        $seal = $data['seal'] ?? null;
        if ($seal !== null && (! is_string($seal) || ! Seal::holds(Statement::made($digest), $seal, $key))) {
            $problems[] = 'The seal does not hold: something was altered since the pack was made.';
        }
        foreach ($data['signatures'] as $signature) {
            [$name, $signIn, $role, $at, $mark, $with] = array_map(
                static fn (string $field): string => is_array($signature) && is_string($signature[$field] ?? null)
                    ? $signature[$field]
                    : '',
                ['name', 'signIn', 'role', 'at', 'signature', 'key'],
            );
            // Put under it later, perhaps with a later key.
            $with = $with === '' ? $key : $with;
            if (
                in_array($with, $known, true) &&
                Seal::holds(Statement::of($digest, $signIn, $name, $role, $at), $mark, $with)
            ) {
                $signed[] = sprintf('%s, %s, %s', $name, $role, $at);
            } else {
                $problems[] = sprintf('The signature of %s does not hold.', $name === '' ? 'somebody' : $name);
            }
        }

        if ($seal === null && $signed === []) {
            $problems[] = 'Nobody has signed it and it bears no seal: nothing says that it is what was handed over.';
        }

        return new self($problems, $signed, $digest, $key);
    }

    /** @return array<int|string, string> name → bytes */
    private static function folder(string $path): array
    {
        $files = [];
        $walk = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($path, \FilesystemIterator::SKIP_DOTS));
        /** @var \SplFileInfo $file */
        foreach ($walk as $file) {
            $files[substr($file->getPathname(), strlen(rtrim($path, '/')) + 1)] = (string) file_get_contents(
                $file->getPathname(),
            );
        }

        return $files;
    }

    /** @return ?array<int|string, string> name → bytes */
    private static function zip(string $path): ?array
    {
        $zip = new ZipArchive();
        if (! is_file($path) || $zip->open($path, ZipArchive::RDONLY) !== true) {
            return null;
        }
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = $zip->getNameIndex($i);
            // Two entries of one name would show one and check the other.
            if ($name === false || isset($files[$name])) {
                return null;
            }
            $files[$name] = (string) $zip->getFromIndex($i);
        }
        $zip->close();

        return $files;
    }
}
