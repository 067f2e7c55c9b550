<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;
use Sartal\Core\Given\Installation\Side;

/** One gesture; of the rest, what its kind asks for. */
final readonly class GestureMade implements Shape
{
    /**
     * @param  list<Seen>  $seen  runs and connectors of the assembly as they were seen
     * @param  string  $run  whose end is in hand
     * @param  string  $line  what goes where, in words: one line, or a table
     * @param  list<string>  $elements  or conductors, by their paths in the cable
     * @param  string  $fitting  connector in hand
     * @param  ?BroughtFitting  $into  a new one instead
     * @param  list<string>  $channels  one for each element; none: the next that are free
     * @param  string  $to  "fitting/address" or "splice:id"
     * @param  list<Bridge>  $bridges  jumpers; to a new connector, its contact alone
     * @param  list<OneCore>  $cores  that meet in a splice
     * @param  list<string>  $contacts
     * @param  list<string>  $fittings  connectors, in the order of their numbers
     * @param  string  $colour  of boots; "" by groups, "usual" as the connector has it
     * @param  ?array<string, string>  $inserts  bay → connector type; "": nothing
     * @param  list<string>  $legs
     * @param  string  $length  "": as it is
     * @param  int  $each  elements of one leg, or boots of one colour
     */
    public function __construct(
        public GestureKind $kind,
        #[Items(2000)] public array $seen = [],
        #[Text(max: 255, min: 0)] public string $run = '',
        public Side $side = Side::A,
        #[Text(max: 40000, min: 0, lines: true)] public string $line = '',
        #[Items(2000)] public array $elements = [],
        #[Text(max: 255, min: 0)] public string $fitting = '',
        public ?BroughtFitting $into = null,
        #[Text(max: 255, min: 0)] public string $plan = '',
        #[Items(2000)] public array $channels = [],
        #[Text(max: 255, min: 0)] public string $signal = '',
        #[Text(max: 255, min: 0)] public string $from = '',
        #[Text(max: 255, min: 0)] public string $to = '',
        #[Items(500)] public array $bridges = [],
        #[Items(500)] public array $cores = [],
        #[Items(500)] public array $contacts = [],
        #[Items(200)] public ?array $inserts = null,
        #[Items(500)] public array $legs = [],
        #[Text(max: 60, min: 0)] public string $length = '',
        #[Text(max: 120, min: 0)] public string $label = '',
        #[Text(max: 300, min: 0)] public string $reason = '',
        #[Whole(min: 1)] public int $each = 1,
        public bool $closed = true,
        #[Items(500)] public array $fittings = [],
        #[Text(max: 40, min: 0)] public string $colour = '',
    ) {
    }
}
