<?php

declare(strict_types=1);

namespace App\Formats;

/** Which field of a run a column of somebody's spreadsheet holds. */
final class RunColumns
{
    /** What people write over such a column, without blanks and marks. */
    private const ALSO = [
        'code' => [
            'run',
            'runcode',
            'cableno',
            'cablenumber',
            'cableid',
            'id',
            'number',
            'no',
            'tag',
            'ref',
            'reference',
        ],
        'cable' => ['cabletype', 'type', 'typeofcable'],
        'signals' => ['signal', 'signaltype', 'carries', 'service'],
        'build' => ['made', 'madeat', 'builtat', 'where'],
        'from' => ['fromlocation', 'source', 'sourcelocation', 'origin', 'enda', 'locationa', 'a'],
        'to' => ['tolocation', 'destination', 'dest', 'destinationlocation', 'endb', 'locationb', 'b'],
        'plans_a' => ['connectora', 'connectorfrom', 'fromconnector', 'plana', 'terminationa'],
        'plans_b' => ['connectorb', 'connectorto', 'toconnector', 'planb', 'terminationb'],
        'ways' => ['way', 'route', 'via', 'path', 'containment'],
        'tail_a' => ['taila', 'tailfrom'],
        'tail_b' => ['tailb', 'tailto'],
        'slack_a' => ['slacka', 'servicea'],
        'slack_b' => ['slackb', 'serviceb'],
        'preparation_a' => ['preparationa', 'prepa'],
        'preparation_b' => ['preparationb', 'prepb'],
        'spares_a' => ['sparesa', 'spareendsa'],
        'spares_b' => ['sparesb', 'spareendsb'],
        'leg_a' => ['lega', 'legsa'],
        'leg_b' => ['legb', 'legsb'],
        'loom' => ['bundle', 'loomname'],
        'note' => ['notes', 'remark', 'remarks', 'comment', 'comments'],
        'bare_a' => ['barea', 'leftbarea'],
        'bare_b' => ['bareb', 'leftbareb'],
        'sleeve' => ['sleeving', 'sleeved'],
        'length' => ['leadlength', 'lengthoflead'],
    ];

    /** Known names that make a row the one that names the columns. */
    private const ENOUGH = 3;

    /** @param  array<int|string, string>  $chosen  name as it stands in the file → field, or "-" to leave it out */
    public function __construct(private readonly array $chosen = [])
    {
    }

    /** The field that a column holds; "" to leave it out; null where nobody knows. */
    public function field(string $name): ?string
    {
        $chosen = $this->chosen[$name] ?? null;
        $fields = [...RunLine::FIELDS, JoinedCell::COLUMN];
        if ($chosen !== null && ($chosen === '-' || in_array($chosen, $fields, true))) {
            return $chosen === '-' ? '' : $chosen;
        }
        if (in_array($name, $fields, true)) {
            return $name;
        }
        if ($name === '' || in_array($name, RunsCsv::COMPUTED, true)) {
            return '';
        }
        $plain = (string) preg_replace('~[^a-z0-9]~', '', mb_strtolower($name));
        foreach (self::ALSO as $field => $names) {
            if ($plain === str_replace('_', '', $field) || in_array($plain, $names, true)) {
                return $field;
            }
        }

        return null;
    }

    /**
     * Titles and blank rows may stand above the row that names the columns.
     *
     * @param  list<string>  $cells
     */
    public function isHeader(array $cells): bool
    {
        $known = array_filter($cells, fn (string $cell): bool => $cell !== '' && $this->field($cell) !== null);

        return count($known) >= self::ENOUGH;
    }
}
