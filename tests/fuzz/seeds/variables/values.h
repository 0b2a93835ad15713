#define OIL_TEMP_MIN -20
#define OIL_TEMP_DECIMALS 1
enum mode { OFF, ON = 3 };
typedef struct {
    int16_t oil_temp; /* measured */
    enum mode mode;
    uint8_t pump : 1, speed : 3;
    char label[12];  // shown
    float flow;
} values;
