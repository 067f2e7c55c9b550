<?php

declare(strict_types=1);

namespace App\Formats\Import;

use Sartal\Core\Given\Installation\Installation;

/** One row of a sheet on its way to becoming a run. */
final class Row
{
    /**
     * @param  string  $sheet  name; "" where there is one alone
     * @param  array<int|string, string>  $fields
     */
    public function __construct(
        public readonly string $sheet,
        public readonly int $line,
        public array $fields,
    ) {
    }

    public function said(): string
    {
        $row = sprintf('Row %d', $this->line);

        return $this->sheet === '' ? $row : sprintf('%s of %s', $row, $this->sheet);
    }

    /** @param  array<int|string, string>  $defaults  field → what holds where nothing is written */
    public function fill(array $defaults): void
    {
        foreach ($defaults as $field => $text) {
            if ($field !== 'code' && trim($this->fields[$field] ?? '') === '') {
                $this->fields[$field] = $text;
            }
        }
    }

    /** A run that names a device and no place ends where that stands. */
    public function atDevices(Installation $in): void
    {
        foreach (['a' => 'from', 'b' => 'to'] as $side => $place) {
            $device = $in->equipment()[$this->fields['device_'.$side] ?? ''] ?? null;
            if ($device !== null && ($this->fields[$place] ?? '') === '') {
                $this->fields[$place] = $device->location;
            }
        }
    }
}
