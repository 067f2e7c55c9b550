<?php

declare(strict_types=1);

namespace App\Contract;

/** Parts of an installation's file as its own schema has them, under names of the contract. */
final class FileSchema
{
    private const PREFIX = 'InFile';

    /** @var ?array<int|string, mixed> */
    private ?array $schema = null;

    /** @var array<string, array<int|string, mixed>> */
    private array $named = [];

    public function __construct(private readonly string $path)
    {
    }

    /** @return array<string, array<int|string, mixed>> */
    public function named(): array
    {
        return $this->named;
    }

    /** @return array<int|string, mixed> a reference to one of `FileParts` */
    public function of(string $name): array
    {
        return $this->reference($name, FileParts::AT[$name]);
    }

    /** @return array<int|string, mixed> */
    private function reference(string $name, string $pointer): array
    {
        if (! isset($this->named[$name])) {
            // Known by name before it is read: definitions may hold themselves.
            $this->named[$name] = [];
            $this->named[$name] = (array) $this->moved($this->at($pointer));
        }

        return ['$ref' => '#/components/schemas/'.$name];
    }

    /** What is referred to in the file's schema is referred to in the contract. */
    private function moved(mixed $part): mixed
    {
        if (! is_array($part)) {
            return $part;
        }
        $to = $part['$ref'] ?? null;
        if (is_string($to) && str_starts_with($to, '#/$defs/')) {
            return $this->reference(self::PREFIX.ucfirst(substr($to, strlen('#/$defs/'))), substr($to, 1));
        }

        // A list of so many and no others says each of them: coordinates are two numbers, not some.
        $many = $part['minItems'] ?? null;
        if (is_int($many) && $many === ($part['maxItems'] ?? null) && isset($part['items'])) {
            $part['prefixItems'] = array_fill(0, $many, $part['items']);
            unset($part['items']);
        }

        return array_map($this->moved(...), $part);
    }

    private function at(string $pointer): mixed
    {
        $part = $this->schema ??= (array) json_decode((string) file_get_contents($this->path), true);
        foreach (explode('/', substr($pointer, 1)) as $key) {
            $part = is_array($part) ? $part[$key] ?? null : null;
        }

        return $part;
    }
}
