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
        'length' => ['leadlength', 'lengthoflead', 'cablelength', 'len', 'runlength', 'estimatedlength', 'estlength'],
        'device_a' => ['devicea', 'devicefrom', 'fromdevice', 'equipmenta', 'fromequipment', 'sourcedevice'],
        'port_a' => ['porta', 'portfrom', 'fromport', 'sourceport', 'output'],
        'device_b' => ['deviceb', 'deviceto', 'todevice', 'equipmentb', 'toequipment', 'destinationdevice'],
        'port_b' => ['portb', 'portto', 'toport', 'destinationport', 'input'],
    ];

    /** Where a run is plugged in: of a spreadsheet alone, since a run's line does not say it. */
    public const PLUGGED = ['device_a', 'port_a', 'device_b', 'port_b'];

    /** Units that stand in the name of a column, and how they are written to be read. */
    private const UNITS = [
        'mm' => 'mm', 'cm' => 'cm', 'm' => 'm', 'metre' => 'm', 'metres' => 'm', 'meter' => 'm', 'meters' => 'm',
        'ft' => 'ft', 'feet' => 'ft', 'foot' => 'ft', 'in' => 'in', 'inch' => 'in', 'inches' => 'in',
    ];

    /** Known names that make a row the one that names the columns. */
    private const ENOUGH = 3;

    /** @param  array<int|string, string>  $chosen  name as it stands in the file → field, or "-" to leave it out */
    public function __construct(private readonly array $chosen = [])
    {
    }

    /** @return list<string> every field that a column can hold */
    public static function fields(): array
    {
        return [...RunLine::FIELDS, JoinedCell::COLUMN, ...self::PLUGGED];
    }

    /** The unit of numbers without one that the name of a column says, such as "Length (ft)"; "" where it says none. */
    public static function unit(string $name): string
    {
        $found = preg_match('~[\s(\[,/_]\(?([a-z]+)[)\]]?\.?$~', mb_strtolower(trim($name)), $m);

        return $found === 1 ? self::UNITS[$m[1]] ?? '' : '';
    }

    /** The field that a column holds; "" to leave it out; null where nobody knows. */
    public function field(string $name): ?string
    {
        $chosen = $this->chosen[$name] ?? null;
        $fields = self::fields();
        if ($chosen !== null && ($chosen === '-' || in_array($chosen, $fields, true))) {
            return $chosen === '-' ? '' : $chosen;
        }
        if (in_array($name, $fields, true)) {
            return $name;
        }
        if ($name === '' || in_array($name, RunsCsv::COMPUTED, true)) {
            return '';
        }
        $unit = self::unit($name) === '' ? '' : '~[\s(\[,/_]+\(?[a-z]+[)\]]?\.?$~i';
        $bare = $unit === '' ? $name : (string) preg_replace($unit, '', trim($name));
        $plain = (string) preg_replace('~[^a-z0-9]~', '', mb_strtolower($bare));
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
