<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\PartKind;

/** Loose contacts chosen by hand must be of those that the shell houses. Source: common practice. */
final class ContactRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $said = [];
        foreach ($fit->landed as $landed) {
            $listed = $fit->layout->terminal($landed->address)->parts ?? [];
            $housed = $fit->catalogue->part($listed[0] ?? '');
            if ($housed === null) {
                continue;
            }
            foreach ($fit->parts(PartKind::Contact, $listed) as $contact) {
                if ($contact->gender !== $housed->gender && ! isset($said[$contact->id])) {
                    $said[$contact->id] = true;
                    yield Misfit::stop(
                        'fit.contact-gender',
                        sprintf(
                            '%s houses %s contacts, and %s is chosen.',
                            $fit->connector->name,
                            $housed->gender->value ?? '',
                            $contact->name,
                        ),
                        sprintf('Choose %s.', $housed->name),
                    );
                }
            }
        }
    }
}
