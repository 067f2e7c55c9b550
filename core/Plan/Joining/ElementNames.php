<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Catalogue\CableType;

/**
 * Elements of a cable as people write them: by number ("13"), by name ("pair 13"), by colour where that is but one
 * ("blue"), one below another ("13/blue"), in ranges ("13-18") and lists.
 */
final readonly class ElementNames
{
    public function __construct(private CableType $cable)
    {
    }

    /**
     * @return non-empty-list<string> paths
     *
     * @throws CannotJoin
     */
    public function read(string $text): array
    {
        $paths = [];
        foreach (explode(',', $text) as $part) {
            $part = trim($part);
            if ($part === '') {
                continue;
            }
            $paths = [...$paths, ...$this->find($part) ?? $this->range($part) ?? throw $this->unknown($part)];
        }

        return $paths === [] ? throw $this->unknown($text) : Hands::known($paths, $this->cable);
    }

    /** @return ?non-empty-list<string> */
    private function range(string $text): ?array
    {
        if (preg_match('~^(.*?)(\d+)\s*(?:-|–|to)\s*(?:.*?)(\d+)(/.+)?$~u', $text, $m) !== 1) {
            return null;
        }
        [$from, $to] = [(int) $m[2], (int) $m[3]];
        $paths = [];
        foreach (abs($from - $to) > 500 ? [] : range($from, $to) as $number) {
            $found = $this->find($m[1].$number.($m[4] ?? '')) ?? throw $this->unknown($m[1].$number);
            array_push($paths, ...$found);
        }

        return $paths === [] ? null : $paths;
    }

    /** @return ?non-empty-list<string> one path; null where nothing is called so */
    private function find(string $text): ?array
    {
        $path = '';
        foreach (preg_split('~\s*/\s*~', $text) ?: [] as $name) {
            $path = $this->below($path, mb_strtolower(trim($name)));
            if ($path === null) {
                return null;
            }
        }

        return [$path];
    }

    private function below(string $parent, string $name): ?string
    {
        $called = ['key' => [], 'label' => [], 'number' => [], 'colour' => []];
        foreach (Hands::parts($parent, $this->cable) as $path) {
            $element = $this->cable->element($path);
            $called['key'][mb_strtolower($element->key ?? '')][] = $path;
            $called['label'][mb_strtolower($element->label ?? '')][] = $path;
            $called['colour'][mb_strtolower($element->colour ?? '')][] = $path;
            if ($element !== null && preg_match('~(\d+)$~', $element->key, $m) === 1) {
                $called['number'][$m[1]][] = $path;
            }
        }
        foreach ($called as $names) {
            if (count($names[$name] ?? []) === 1) {
                return $names[$name][0];
            }
        }

        return null;
    }

    private function unknown(string $text): CannotJoin
    {
        $parts = Hands::parts('', $this->cable);
        $names = array_map(fn (string $path): string => $this->cable->element($path)->label ?? $path, $parts);

        return CannotJoin::because('line', $text, sprintf(
            'Nothing in %s is called "%s". It has %s.',
            $this->cable->name,
            $text,
            count($names) > 5
                ? sprintf('%s to %s', $names[0], $names[count($names) - 1])
                : (implode(', ', $names) ?: 'nothing to land'),
        ));
    }
}
