/** Words a passphrase is drawn from: short, plain, told apart by ear. 256 of them: eight bits each. */
export const WORDS: readonly string[] = `
acorn adder alder amber anchor ankle apple apron arrow ashen aspen auger
bacon badge badger bakery balsam banjo barge barley barrel basin basket beacon beaver beetle bellow berry
birch bishop bison blanket blossom bobbin bonfire bonnet border bottle bramble branch brass bread bridge bristle
broom bucket buckle burdock butter button cabin cable candle canvas canyon carbon cargo carpet carrot castle
cedar cellar chalk cherry chestnut chimney cider cinder circle clover cobble cobalt coffee copper coral corner
cotton cradle crater creek cricket crimson crocus crystal cuckoo curlew cypress daisy damson dapple denim dipper
donkey dragon driftwood drizzle ember engine fallow falcon farmer feather fennel ferry fiddle filbert finger flannel
flint flower forest fossil fountain foxglove freckle frost gable galley garden garlic garnet ginger glacier goblet
gooseberry granite grapple gravel hamlet hammer harbour harvest hatchet hawthorn hazel heather hedge helmet heron
hollow honey hornet ivory jackdaw jasper jigsaw juniper kennel kernel kettle kitten ladder lagoon lantern larch
lattice laurel lavender lemon lettuce lichen lilac linen linnet lobster locket lumber lupin magnet magpie mallet
maple marble marigold marrow meadow melon mitten monsoon mortar mussel mustard napkin needle nettle nutmeg oatmeal
onion orchard osprey otter paddle parcel parsley pebble pepper petal pewter pigeon pillow pippin plover pocket
poplar poppy potato powder puddle pumpkin quarry quartz quiver rabbit radish raven ribbon ripple river robin
rocket rowan saddle saffron salmon sandal sapling satchel scarlet shovel silver sorrel sparrow spindle spruce squirrel
stable summit sunday tallow tansy tartan teapot thicket thimble thistle timber topaz trellis tulip turnip velvet
violet wagon walnut walrus weasel wicker willow window yarrow
`
  .trim()
  .split(/\s+/)
  .slice(0, 256);
