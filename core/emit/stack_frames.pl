# SPDX-License-Identifier: GPL-3.0-or-later
# Reads the stack usage files and the disassembly of the runtime's objects in FOLDER/m0, m3 and avr, and prints a row for
# each function: its source; bytes of its frame on 32-bit and 8-bit targets, the return address included; what it calls;
# of which tables' pointers it is a target. A call through a pointer is written as *table.pointer.
#   stack_frames.pl FOLDER
use strict;
use warnings;

my $folder = shift or die "stack_frames.pl FOLDER\n";

# What functions call through pointers; "" for what the firmware supplies.
my %pointers = (
    draw_inner => 'kind.draw', draw_recoloured => 'kind.draw', gorse_draw_faded => 'kind.draw', gorse_draw_recoloured_image => 'kind.draw',
    gorse_draw_recoloured_frames => 'kind.draw', gorse_wrapped_command => 'kind.command', gorse_wrapped_tick => 'kind.tick',
    gorse_wrapped_wait => 'kind.wait', gorse_convert_palette => 'format.native', draw_faded_part => 'kind.draw', put_back => 'format.copy',
    gorse_draw_screen => 'kind.draw', gorse_send_strip => 'panel.turn', draw_fading => 'containers.mix', draw_one => 'kind.draw', close_level => 'containers.mix', gorse_paint => 'panel.paint', gorse_paint_strip => 'panel.turn', gorse_call_hook => '',
    gorse_execute => 'motion.command scene.extended', gorse_extended_code => '', put_template => 'scene.forms',
    gorse_draw_glyph => 'font.read', draw_span => 'format.copy image.get', gorse_draw_image => 'source.draw',
    gorse_get_image_bits => 'image.spread', gorse_store_native => 'format.native', send => 'kind.command',
    gorse_widgets_tick => 'kind.tick kind.wait', gorse_show_screen => 'motion.enter', gorse_tick_widgets => 'motion.tick',
    gorse_follow_rules => 'motion.follow', gorse_step => 'motion.tick motion.follow', gorse_fill_rect => 'format.native format.fill format.mask', mix_row => 'format.mask format.native',
    gorse_mask_span => 'format.native format.mask', draw_part => 'format.copy', draw_piece => 'format.copy', draw_arranged => 'format.copy', draw_pixels => 'format.copy', mix => 'format.copy', gather => 'source.convert',
    start_row => 'reader.start', draw_row => 'reader.draw', draw_rows => 'reader.draw', get_spread => 'image.spread reader.get', get_units => 'reader.get',
    gorse_start_image_row => 'reader.start', gorse_read_mask => 'reader.get', gorse_read_pixels => 'reader.get source.convert', pixel_at => 'image.spread', gorse_text_difference => 'difference.changed', set_text => '', set_in_array => '', set_number => '', gorse_set_by_control => '', 'gorse_see_controls.c gorse_see' => 'kind.states', states_of => 'kind.states', touch_control => 'kind.touch', gorse_draw_focusable => 'kind.draw', gorse_draw_slider => 'slider.grip',
    command => 'motion.command', enter_wanted => 'motion.enter', 'gorse_motion_outputs.c play' => '', set_outputs => '',
    # The one of all motions that goes on to others.
    'gorse_levels.c enter' => 'inner.enter', 'gorse_levels.c tick' => 'inner.tick',
    'gorse_levels.c follow' => 'inner.follow', 'gorse_levels.c command' => 'inner.command',
    'gorse_motion_several.c enter' => 'besides.enter', 'gorse_motion_several.c tick' => 'besides.tick',
    'gorse_motion_several.c follow' => 'besides.follow', 'gorse_motion_several.c command' => 'besides.command',
    'gorse_kind_rectangle_shaded.c draw' => 'format.native', 'gorse_kind_rectangle_shaded.c pixel_at' => 'format.native',
    gorse_take_over => '',
    'gorse_kind_list.c draw_item' => '', 'gorse_kind_list.c write_item' => '',
    native_of => '', next_byte => '', fetch => '', get => '', start => '',
    cover => 'shape.outline', next_run => '', take => '', skip_units => '', draw => 'format.fill format.copy',
);
$pointers{"gorse_convert_$_"} = 'format.native' for qw(argb8888 grey8 rgb332 rgb565 rgb565_be rgb888);

# Which pointer of a table an address of a function fills: by the file that holds the table and the offset there, else
# by the function's name.
my %tables = (
    kind => { 4 => 'kind.draw', 8 => 'kind.command', 12 => 'kind.tick', 16 => 'kind.wait', 20 => 'kind.states', 24 => 'kind.touch' },
    format => { 4 => 'format.native', 8 => 'format.fill', 12 => 'format.mask', 16 => 'format.copy' },
    image => { 4 => 'image.get', 8 => 'image.spread' },
    reader => { 0 => 'reader.start', 4 => 'reader.get', 8 => 'reader.draw' },
    motion => { 0 => 'motion.enter', 4 => 'motion.tick', 8 => 'motion.follow', 12 => 'motion.command' },
);
my @named = (
    [qr/^gorse_paint_(rows|squares)(_with_cop(y|ies))?$/, 'panel.paint'],
    [qr/^gorse_mix_back$/, 'containers.mix'],
    [qr/^gorse_draw_(faded|focusable|recoloured_image|recoloured_frames)$/, 'kind.draw'], [qr/^gorse_wrapped_command$/, 'kind.command'],
    [qr/^gorse_wrapped_tick$/, 'kind.tick'], [qr/^gorse_wrapped_wait$/, 'kind.wait'], [qr/^gorse_turn_/, 'panel.turn'], [qr/^gorse_read_glyph_/, 'font.read'],
    [qr/^gorse_convert_/, 'source.convert'], [qr/^gorse_draw_stored_image$/, 'source.draw'],
    [qr/^gorse_extended_code(_with_cells|_with_elements|_with_both)?$/, 'scene.extended'], [qr/^gorse_extended_forms$/, 'scene.forms'], [qr/^mark(_part)?$/, 'difference.changed'],
    [qr/^draw_(bar|image)_grip$/, 'slider.grip'],
    [qr/^(add_(polygon|border|line|blade)|gorse_add_sector(_border)?)$/, 'shape.outline'],
);

$tables{levels} = $tables{motion};

my (%frames, %calls, %fills);    # by "source function"

sub plain { my $name = shift; $name =~ s/\.(isra|part|constprop)(\.\d+)?//g; $name =~ s/^\.text\.(unlikely\.)?//; $name =~ s/\+0x[0-9a-f]+$//; return $name }

for my $target (qw(m0 m3 avr)) {
    my $words = $target eq 'avr' ? 8 : 32;
    my $objdump = $target eq 'avr' ? 'avr-objdump' : 'arm-none-eabi-objdump';
    for my $object (sort glob "$folder/$target/*.o") {
        my ($name) = $object =~ m{([^/]+)\.o$};
        my (%parts, $function, $section);
        open my $usage, '<', "$folder/$target/$name.su" or next;
        while (<$usage>) {
            my ($where, $bytes) = split /\t/;
            # Parts of a function that the compiler has divided may be on the stack together.
            $parts{plain((split /:/, $where)[-1])} += $bytes;
        }
        for (keys %parts) {
            my $known = $frames{"$name.c $_"}{$words} // 0;
            $frames{"$name.c $_"}{$words} = $parts{$_} > $known ? $parts{$_} : $known;
        }
        for (`$objdump -dr $object`) {
            $function = plain($1) if /^[0-9a-f]+ <(.+)>:$/;
            next unless defined $function;
            my $key = "$name.c $function";
            if (/R_(?:ARM_THM_CALL|ARM_THM_JUMP24|AVR_CALL|AVR_13_PCREL)\s+(\S+)/) {
                my $callee = plain($1);
                $calls{$key}{ $callee =~ /^(gorse_|[a-z])/ && $callee !~ /^(mem|str)/ ? $callee : 'library' } = 1 if $callee ne $function;
            } elsif (/\sblx?\s+r\d|\sbx\s+r\d|\s(?:icall|ijmp)\b/) {
                my $to = $pointers{$key} // $pointers{$function};
                defined $to or die "$key calls through a pointer: add it to the table of stack_frames.pl\n";
                $calls{$key}{"*$_"} = 1 for split ' ', $to;
            }
        }
        next if $target ne 'm0';
        for (`$objdump -r $object`) {
            $section = $1 if /^RELOCATION RECORDS FOR \[(.+)\]/;
            my ($at, $target) = /^([0-9a-f]+) R_ARM_ABS32\s+(\S+)/ or next;
            $at = hex $at;
            my ($table) = $name =~ /^gorse_(kind|format|image|reader|motion|levels)/;
            my ($by_name) = map { $_->[1] } grep { $target =~ $_->[0] } @named;
            my $pointer = $by_name // ($section =~ /rodata/ && $table ? $tables{$table}{$at} : undef);
            next unless defined $pointer;
            my $filled = $fills{$target =~ /^gorse_/ ? $target : "$name.c $target"} //= {};
            $filled->{$pointer} = 1;
            $filled->{"besides.$1"} = 1 if $pointer =~ /^motion\.(.+)/ && $name ne 'gorse_motion_several';
            $filled->{"inner.$1"} = 1 if $pointer =~ /^motion\.(.+)/ && $name !~ /^gorse_(motion_several|levels)$/;
        }
    }
}
# The generated code alone refers to some of them.
for my $key (keys %frames) {
    my ($source, $function) = split ' ', $key;
    for (@named) { $fills{$function}{$_->[1]} = 1 if $function =~ $_->[0] && $function =~ /^gorse_/ }
}

print "// Made by core/emit/measure_sources.sh.\n";
for my $key (sort keys %frames) {
    my ($source, $function) = split ' ', $key;
    my %filled = (%{ $fills{$key} // {} }, %{ $fills{$function} // {} });
    printf "{\"%s\", \"%s\", %d, %d, \"%s\", \"%s\"},\n", $source, $function, $frames{$key}{32} // 0, $frames{$key}{8} // 0,
        join(' ', sort keys %{ $calls{$key} // {} }), join(' ', sort keys %filled);
}
