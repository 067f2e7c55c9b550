<?php

declare(strict_types=1);

namespace App\Formats;

use Sartal\Core\Given\Installation\Installation;

/**
 * A line of the schedule in names, as people read it. What has a name that could be taken for another's keeps its id:
 * read back, it is the same line.
 */
final readonly class NamedLine
{
    /** @var array<string, array<int|string, string>> field → id → name */
    private array $names;

    public function __construct(Installation $in)
    {
        $catalogue = $in->catalogue;
        [$places, $plans] = [self::clear($in->locations()), self::clear($catalogue->plans())];
        $this->names = [
            'cable' => self::clear($catalogue->cables()),
            'signals' => self::clear($catalogue->signals()),
            'from' => $places,
            'to' => $places,
            'plans_a' => $plans,
            'plans_b' => $plans,
            'ways' => self::clear($in->ways()),
            'loom' => self::clear($in->looms()),
        ];
    }

    /**
     * @param  array<int|string, string>  $line  by field
     * @return array<int|string, string>
     */
    public function of(array $line): array
    {
        foreach ($this->names as $field => $names) {
            $entries = array_map(
                static fn (string $id): string => $names[$id] ?? $id,
                RunLine::entries($line[$field] ?? ''),
            );
            $line[$field] = implode(RunLine::LIST, $entries);
        }

        return $line;
    }

    /**
     * @param  array<int|string, object{id: string, name: string}>  $known
     * @return array<int|string, string> id → name, of those that nothing else is called
     */
    private static function clear(array $known): array
    {
        $said = [];
        foreach ($known as $each) {
            $said[mb_strtolower($each->name)][] = $each->id;
        }
        $names = [];
        foreach ($known as $id => $each) {
            $isClear = count($said[mb_strtolower($each->name)]) === 1 && ! isset($known[$each->name]);
            // A spreadsheet takes blanks away at either end, and a list is taken apart at its mark.
            if ($isClear && $each->name === trim($each->name) && ! str_contains($each->name, RunLine::LIST)) {
                $names[$id] = $each->name;
            }
        }

        return $names;
    }
}
